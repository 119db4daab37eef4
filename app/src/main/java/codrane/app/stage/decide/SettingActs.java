package codrane.app.stage.decide;

import codrane.app.baseline.Lost;
import codrane.app.baseline.LostSettings;
import codrane.app.job.Acted;
import codrane.app.job.Acts;
import codrane.app.notes.Notes;
import codrane.app.records.AuditTrail;
import codrane.core.baseline.Drift;
import codrane.core.baseline.PutBack;
import codrane.core.baseline.Undo;
import codrane.core.coding.Layout;
import codrane.core.job.Clash;
import codrane.core.job.JobState;
import codrane.core.job.PlanFacts;
import codrane.core.job.Scan;
import codrane.core.job.stage.DecideStage;
import codrane.core.octets.Bytes;
import codrane.core.pack.Feature;
import codrane.core.pack.LayoutVersion;
import codrane.core.plan.JobKind;
import codrane.core.plan.LineInstruction;
import codrane.core.scan.ModuleReading;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;

/** Which settings are to be written: by name, by an instruction's line, with equipment, or those that were lost. */
@Component
public class SettingActs {
    private static final Acted NOT_SCANNED = Acted.refused("Scan first: what is there now is compared.");

    private static final Acted COMES_WITH_EQUIPMENT =
            Acted.refused("It comes with the chosen equipment: take that out first.");

    private final Acts acts;
    private final Notes notes;
    private final DecideActs decides;
    private final PlanAgain again;
    private final LostSettings losts;
    private final AuditTrail audit;
    private final UndoSets undo;

    SettingActs(
            Acts acts,
            Notes notes,
            DecideActs decides,
            PlanAgain again,
            LostSettings losts,
            AuditTrail audit,
            UndoSets undo) {
        this.undo = undo;
        this.acts = acts;
        this.notes = notes;
        this.decides = decides;
        this.again = again;
        this.losts = losts;
        this.audit = audit;
    }

    public Acted feature(long number, String id, String who) {
        return acts.on(number, who, DecideStage.FEATURE, state -> {
            boolean none = id.isEmpty() && state.job().kind() != JobKind.ENABLE_EQUIPMENT;
            Optional<Feature> feature = state.pack().equipment().feature(id);
            if (feature.isEmpty() && !none) return Acted.refused("This vehicle's pack knows no such equipment.");
            if (state.before().isEmpty()) return NOT_SCANNED;
            List<PutBack> all = new ArrayList<>(PlanFacts.chosenByName(state));
            all.removeIf(p -> comesWith(state, feature, p.layout(), p.field()));
            feature.ifPresent(
                    f -> all.addAll(PlanFacts.settings(state, state.before().get(), f)));
            keep(state, 0, all, who);
            return decides.feature(state, id, who);
        });
    }

    /**
     * Turns off what the chosen equipment does not go with.
     *
     * @param id of the other one; empty for all that stands against it
     */
    public Acted turnOff(long number, String id, String who) {
        return acts.on(number, who, DecideStage.TURN_OFF, state -> {
            if (state.before().isEmpty()) return NOT_SCANNED;
            List<Clash> clashes = Clash.of(state).stream()
                    .filter(c -> id.isEmpty() || c.other().id().equals(id))
                    .toList();
            if (clashes.isEmpty()) return Acted.refused("The chosen equipment goes with that.");
            List<PutBack> all = new ArrayList<>(state.putBack());
            for (Clash clash : clashes) {
                Feature other = clash.other();
                if (!clash.canGo())
                    return Acted.refused("The pack does not say how " + other.title() + " is turned off.");
                for (PutBack off : PlanFacts.off(state, state.before().get(), other)) {
                    if (comesWith(state, chosen(state), off.layout(), off.field())) continue;
                    all.removeIf(p -> p.key().equals(off.key()));
                    all.add(off);
                }
                audit.record(who, "chose to turn off " + other.title(), "job " + number, "");
            }
            keep(state, 0, all, who);
            return again.plan(state, who);
        });
    }

    /** Adds a setting, or gives one that was chosen another value. */
    public Acted setting(long number, String key, String value, String who) {
        return acts.on(number, who, DecideStage.SETTING, state -> {
            String[] parts = key.split("/", 2);
            Layout layout = state.packWritten().layouts().get(parts[0]);
            if (!PlanFacts.byName(state.job().kind())) return Acted.refused("This job changes no setting by name.");
            if (parts.length != 2
                    || layout == null
                    || state.pack().layout(parts[0]).field(parts[1]).isEmpty())
                return Acted.refused("Choose a setting.");
            if (layout.field(parts[1]).isEmpty()) return Acted.refused(notThere(state, parts[0], parts[1]));
            if (state.before().isEmpty()) return NOT_SCANNED;
            if (comesWith(state, chosen(state), parts[0], parts[1])) return COMES_WITH_EQUIPMENT;
            Optional<String> now = PlanFacts.value(state, state.before().get(), parts[0], parts[1]);
            if (now.isEmpty()) return Acted.refused(layout.title() + " was not read: scan again.");
            if (layout.encode(Map.of(parts[1], value.strip()), Bytes.filled(layout.length(), 0))
                    instanceof Layout.Encoded.Refused(String reason))
                return Acted.refused("It can't be that: " + reason);
            String module = PlanFacts.holder(state, parts[0]);
            String worded = layout.worded(parts[1], value.strip());
            return add(state, new PutBack(module, parts[0], parts[1], worded, now.get()), who);
        });
    }

    /** @return that the module's software does not know the setting, and which does, as a sentence */
    private static String notThere(JobState state, String layout, String field) {
        String known = state.pack().versions().getOrDefault(layout, List.of()).stream()
                .filter(v -> v.layout().field(field).isPresent())
                .map(LayoutVersion::range)
                .collect(Collectors.joining(", "));
        return "The software of the "
                + state.pack().holder(layout).orElseThrow().lowerTitle()
                + " does not have this setting"
                + (known.isEmpty() ? "." : "; it is there from software " + known + ".");
    }

    /** One octet of one line, from an instruction found elsewhere. */
    public Acted line(long number, String text, String who) {
        return acts.on(number, who, DecideStage.LINE, state -> {
            if (state.job().kind() != JobKind.CHANGE_LINE) return Acted.refused("This job changes no line.");
            if (state.before().isEmpty()) return NOT_SCANNED;
            return switch (LineInstruction.read(text)) {
                case LineInstruction.Read.Wrong(String sentence) -> Acted.refused(sentence);
                case LineInstruction.Read.Instruction(LineInstruction instruction) -> line(state, instruction, who);
            };
        });
    }

    private Acted line(JobState state, LineInstruction instruction, String who) {
        Scan scan = state.before().orElseThrow();
        Map<String, ModuleReading> readings = scan.readings();
        return switch (instruction.apply(
                state.pack(scan),
                module -> readings.getOrDefault(module, ModuleReading.silent(module))
                        .coding())) {
            case LineInstruction.Applied.Refused(String sentence) -> Acted.refused(sentence);
            case LineInstruction.Applied.Changed changed ->
                add(
                        state,
                        new PutBack(
                                changed.module(),
                                changed.block(),
                                PutBack.WHOLE,
                                changed.to().hex(),
                                changed.from().hex()),
                        who);
        };
    }

    /** Chooses settings that go back to what they were before this workshop first changed them. */
    public Acted asBefore(long number, List<String> keys, String who) {
        return acts.on(number, who, DecideStage.AS_BEFORE, state -> {
            List<PutBack> back = undo.of(state).stream()
                    .flatMap(u -> u.settings().stream())
                    .map(Undo.Setting::putBack)
                    .filter(p -> keys.contains(p.key()))
                    .toList();
            if (keys.isEmpty()) return Acted.refused("Tick what goes back to what it was.");
            if (back.size() != keys.stream().distinct().count())
                return Acted.refused("One of these settings is as it was, or was not changed here.");
            List<PutBack> all = new ArrayList<>(state.putBack());
            all.removeIf(p -> back.stream().anyMatch(b -> b.key().equals(p.key())));
            all.addAll(back);
            keep(state, 0, all, who);
            audit.record(who, "chose what goes back to what it was", "job " + number, String.join(", ", keys));
            return again.plan(state, who);
        });
    }

    private Acted add(JobState state, PutBack chosen, String who) {
        List<PutBack> all = without(state, chosen.key());
        all.add(chosen);
        keep(state, 0, all, who);
        return again.plan(state, who);
    }

    public Acted out(long number, String key, String who) {
        return acts.on(number, who, DecideStage.SETTING_OUT, state -> {
            if (PlanFacts.chosenByName(state).stream().noneMatch(p -> p.key().equals(key)))
                return Acted.refused("No such setting was chosen by its name.");
            keep(state, 0, without(state, key), who);
            return again.plan(state, who);
        });
    }

    private static Optional<Feature> chosen(JobState state) {
        return state.pack().equipment().feature(state.decided().notes().feature());
    }

    private static boolean comesWith(JobState state, Optional<Feature> feature, String layout, String field) {
        return feature.filter(f -> state.pack().equipment().on(f).containsKey(new Feature.Setting(layout, field)))
                .isPresent();
    }

    private static List<PutBack> without(JobState state, String key) {
        List<PutBack> all = new ArrayList<>(state.putBack());
        all.removeIf(p -> p.key().equals(key));
        return all;
    }

    private void keep(JobState state, long baseline, List<PutBack> settings, String who) {
        notes.put(state.job().id(), ChosenStored.KIND, ChosenStored.of(baseline, settings), who);
    }

    /**
     * Chooses which lost settings are put back; nothing is chosen beforehand.
     *
     * @param keys of settings that are lost and can be put back
     */
    public Acted putBack(long number, List<String> keys, String who) {
        return acts.on(
                number,
                who,
                DecideStage.PUT_BACK,
                state -> losts.of(state)
                        .map(lost -> putBack(state, lost, keys, who))
                        .orElseGet(() -> Acted.refused("There is nothing to compare with.")));
    }

    private Acted putBack(JobState state, Lost lost, List<String> keys, String who) {
        List<PutBack> chosen = Stream.concat(
                        lost.drift().all().stream().filter(Drift.Lost::possible).map(Drift.Lost::putBack),
                        lost.whole().stream().map(Lost.WholeBlock::putBack))
                .filter(p -> keys.contains(p.key()))
                .toList();
        boolean both = chosen.stream()
                .anyMatch(p -> !p.whole()
                        && chosen.stream().anyMatch(w -> w.whole() && w.layout().equals(p.layout())));
        if (both) return Acted.refused("A whole block brings its settings with it: tick the one or the other.");
        if (chosen.size() != keys.size())
            return Acted.refused("One of these settings is not lost, or can't be put back.");
        keep(state, lost.asLeft().id(), chosen, who);
        audit.record(who, "chose settings to put back", "job " + state.job().number(), String.join(", ", keys));
        return Acted.done();
    }
}
