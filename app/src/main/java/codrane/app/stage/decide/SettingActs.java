package codrane.app.stage.decide;

import codrane.app.baseline.Lost;
import codrane.app.baseline.LostSettings;
import codrane.app.job.Acted;
import codrane.app.job.Acts;
import codrane.app.records.AuditTrail;
import codrane.core.baseline.Drift;
import codrane.core.baseline.PutBack;
import codrane.core.baseline.Undo;
import codrane.core.coding.Layout;
import codrane.core.coding.LooseBit;
import codrane.core.feature.FeatureSet;
import codrane.core.feature.FeatureSet.Solved;
import codrane.core.job.Clash;
import codrane.core.job.JobState;
import codrane.core.job.PlanBasis;
import codrane.core.job.PlanFacts;
import codrane.core.job.stage.DecideStage;
import codrane.core.octets.Bytes;
import codrane.core.pack.Feature;
import codrane.core.pack.LayoutVersion;
import codrane.core.plan.JobKind;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;

/** Which settings are to be written: by name, by their bits, with equipment, or those that were lost. */
@Component
public class SettingActs {
    private static final Acted NOT_SCANNED = Acted.refused("Scan first: what is there now is compared.");

    private static final Acted COMES_WITH_EQUIPMENT =
            Acted.refused("It comes with the chosen equipment: take that out first.");

    private final Acts acts;
    private final ChosenSettings chosen;
    private final DecideActs decides;
    private final PlanAgain again;
    private final LostSettings losts;
    private final AuditTrail audit;
    private final UndoSets undo;

    SettingActs(
            Acts acts,
            ChosenSettings chosen,
            DecideActs decides,
            PlanAgain again,
            LostSettings losts,
            AuditTrail audit,
            UndoSets undo) {
        this.undo = undo;
        this.acts = acts;
        this.chosen = chosen;
        this.decides = decides;
        this.again = again;
        this.losts = losts;
        this.audit = audit;
    }

    /** Equipment to be enabled, beside what was chosen before. */
    public Acted feature(long number, String id, String who) {
        return acts.on(number, who, DecideStage.FEATURE, state -> {
            if (state.pack().equipment().feature(id).isEmpty())
                return Acted.refused("This vehicle's pack knows no such equipment.");
            Set<String> ids = new LinkedHashSet<>(state.decided().notes().features());
            ids.removeIf(was -> state.pack().equipment().feature(was).isEmpty()); // of a pack that was changed since
            ids.add(id);
            return FeatureSet.of(state.pack(), ids) instanceof Solved.Conflict(List<Feature> least, String reason)
                    ? Acted.refused(reason + (least.size() > 1 ? " Take the other out first." : ""))
                    : features(state, List.copyOf(ids), who);
        });
    }

    public Acted featureOut(long number, String id, String who) {
        return acts.on(number, who, DecideStage.FEATURE_OUT, state -> {
            List<String> ids = new ArrayList<>(state.decided().notes().features());
            return ids.remove(id) ? features(state, ids, who) : Acted.refused("That equipment was not chosen.");
        });
    }

    private Acted features(JobState state, List<String> ids, String who) {
        if (PlanBasis.newest(state).isEmpty()) return NOT_SCANNED;
        List<Feature> wanted = state.pack().equipment().features(ids);
        List<PutBack> all = new ArrayList<>(PlanFacts.chosenByName(state));
        all.removeIf(p -> comesWith(state, wanted, p.layout(), p.field()));
        all.addAll(PlanFacts.settings(state, PlanBasis.newest(state).get(), wanted));
        chosen.keep(state, all, who);
        return decides.features(state, ids, who);
    }

    /**
     * Turns off what the chosen equipment does not go with.
     *
     * @param id of the other one; empty for all that stands against it
     */
    public Acted turnOff(long number, String id, String who) {
        return acts.on(number, who, DecideStage.TURN_OFF, state -> {
            if (PlanBasis.newest(state).isEmpty()) return NOT_SCANNED;
            List<Clash> clashes = Clash.of(state).stream()
                    .filter(c -> id.isEmpty() || c.other().id().equals(id))
                    .toList();
            if (clashes.isEmpty()) return Acted.refused("The chosen equipment goes with that.");
            List<PutBack> all = new ArrayList<>(state.putBack());
            for (Clash clash : clashes) {
                Feature other = clash.other();
                if (!clash.canGo())
                    return Acted.refused("The pack does not say how " + other.title() + " is turned off.");
                for (PutBack off : PlanFacts.off(state, PlanBasis.newest(state).get(), other)) {
                    if (comesWith(state, PlanFacts.equipment(state), off.layout(), off.field())) continue;
                    all.removeIf(p -> p.key().equals(off.key()));
                    all.add(off);
                }
                audit.record(who, "chose to turn off " + other.title(), "job " + number, "");
            }
            chosen.keep(state, all, who);
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
            if (parts[1].equals(state.pack().madeFor().get(parts[0])))
                return Acted.refused("That says for which vehicle the block was made: it is no setting.");
            if (layout.field(parts[1]).isEmpty()) return Acted.refused(notThere(state, parts[0], parts[1]));
            if (PlanBasis.newest(state).isEmpty()) return NOT_SCANNED;
            if (comesWith(state, PlanFacts.equipment(state), parts[0], parts[1])) return COMES_WITH_EQUIPMENT;
            Optional<String> now =
                    PlanFacts.value(state, PlanBasis.newest(state).get(), parts[0], parts[1]);
            if (now.isEmpty()) return Acted.refused(layout.title() + " was not read: scan again.");
            String meant = state.pack()
                    .setting(parts[0], parts[1])
                    .meant(value, layout.field(parts[1]).orElseThrow());
            if (layout.encode(Map.of(parts[1], meant), Bytes.filled(layout.length(), 0))
                    instanceof Layout.Encoded.Refused(String reason))
                return Acted.refused("It can't be that: " + reason);
            String module = PlanFacts.holder(state, parts[0]);
            String worded = layout.worded(parts[1], meant);
            return chosen.add(state, new PutBack(module, parts[0], parts[1], worded, now.get()), who);
        });
    }

    /** Opens a bit that no setting explains; only a lead may. What it does is in no book, so it is said whose it was. */
    public Acted bit(long number, String key, String value, String who) {
        return acts.on(number, who, DecideStage.BIT, state -> {
            String[] parts = key.split("/", 2);
            Layout layout = state.packWritten().layouts().get(parts[0]);
            JobKind kind = state.job().kind();
            if (!PlanFacts.byName(kind) || kind == JobKind.CHANGE_LINE)
                return Acted.refused("This job changes no bit by its place.");
            if (parts.length != 2
                    || layout == null
                    || LooseBit.of(parts[1]).isEmpty()
                    || layout.named(parts[1]).isEmpty()) return Acted.refused("Choose a bit that no setting explains.");
            if (!value.matches("[01]")) return Acted.refused("A bit is 0 or 1.");
            if (PlanBasis.newest(state).isEmpty()) return NOT_SCANNED;
            Optional<String> now =
                    PlanFacts.value(state, PlanBasis.newest(state).get(), parts[0], parts[1]);
            if (now.isEmpty()) return Acted.refused(layout.title() + " was not read: scan again.");
            audit.record(who, "opened a bit that no setting explains", "job " + number, key + ": " + value);
            return chosen.add(
                    state, new PutBack(PlanFacts.holder(state, parts[0]), parts[0], parts[1], value, now.get()), who);
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
            chosen.keep(state, all, who);
            audit.record(who, "chose what goes back to what it was", "job " + number, String.join(", ", keys));
            return again.plan(state, who);
        });
    }

    public Acted out(long number, String key, String who) {
        return acts.on(number, who, DecideStage.SETTING_OUT, state -> {
            if (PlanFacts.chosenByName(state).stream().noneMatch(p -> p.key().equals(key)))
                return Acted.refused("No such setting was chosen by its name.");
            return chosen.out(state, key, who);
        });
    }

    private static boolean comesWith(JobState state, List<Feature> equipment, String layout, String field) {
        return state.pack().equipment().on(equipment).containsKey(new Feature.Setting(layout, field));
    }

    /** Compares with an earlier visit, and chooses anew: what was ticked before is not. */
    public Acted compare(long number, long baseline, String who) {
        return acts.on(number, who, DecideStage.LEFT, state -> {
            if (state.job().kind() != JobKind.FIND_LOST_SETTING)
                return Acted.refused("This job compares nothing with how the vehicle was left.");
            boolean there = losts.of(state).stream()
                    .flatMap(lost -> lost.earlier().stream())
                    .anyMatch(b -> b.id() == baseline);
            if (!there) return Acted.refused("That is no earlier baseline of this vehicle from another job.");
            chosen.keep(state, baseline, List.of(), who);
            audit.record(who, "compared with a baseline", "job " + state.job().number(), String.valueOf(baseline));
            return Acted.done();
        });
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
        List<PutBack> back = Stream.concat(
                        lost.drift().all().stream().filter(Drift.Lost::possible).map(Drift.Lost::putBack),
                        lost.whole().stream().map(Lost.WholeBlock::putBack))
                .filter(p -> keys.contains(p.key()))
                .toList();
        boolean both = back.stream()
                .anyMatch(p -> !p.whole()
                        && back.stream().anyMatch(w -> w.whole() && w.layout().equals(p.layout())));
        if (both) return Acted.refused("A whole block brings its settings with it: tick the one or the other.");
        if (back.size() != keys.size())
            return Acted.refused("One of these settings is not lost, or can't be put back.");
        chosen.keep(state, lost.asLeft().id(), back, who);
        audit.record(who, "chose settings to put back", "job " + state.job().number(), String.join(", ", keys));
        return Acted.done();
    }
}
