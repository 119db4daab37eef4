package codrane.app.job;

import codrane.app.decide.DecideStore;
import codrane.app.decide.MenuMap;
import codrane.app.job.jpa.JobStore;
import codrane.app.records.AuditTrail;
import codrane.core.baseline.PutBack;
import codrane.core.coding.Layout;
import codrane.core.job.DecideNotes;
import codrane.core.job.Scan;
import codrane.core.octets.Bytes;
import codrane.core.pack.Feature;
import codrane.core.plan.JobKind;
import codrane.core.plan.LineInstruction;
import codrane.core.plan.Operation;
import codrane.core.plan.PartOrigin;
import codrane.core.plan.Policy;
import codrane.core.plan.School;
import codrane.core.plan.Stage;
import codrane.core.scan.ModuleReading;
import java.time.InstantSource;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import org.springframework.stereotype.Component;

/** What people say for the plan at the stage Decide. A plan that is there already is made again at once. */
@Component
public class DecideActs {
    private static final Acted DONE = new Acted.Done(Optional.empty());
    private static final int LONGEST_WORDING = 4000;

    private final Acts acts;
    private final JobDesk desk;
    private final JobStore jobs;
    private final JobActs plans;
    private final DecideStore store;
    private final PutBackStore settings;
    private final MenuMap menus;
    private final AuditTrail audit;
    private final InstantSource time;

    DecideActs(
            Acts acts,
            JobDesk desk,
            JobStore jobs,
            JobActs plans,
            DecideStore store,
            PutBackStore settings,
            MenuMap menus,
            AuditTrail audit,
            InstantSource time) {
        this.desk = desk;
        this.jobs = jobs;
        this.acts = acts;
        this.plans = plans;
        this.store = store;
        this.settings = settings;
        this.menus = menus;
        this.audit = audit;
        this.time = time;
    }

    DecideView view(JobFacts facts, Scan scan) {
        return DecideView.of(facts, scan, jobs, menus);
    }

    public Acted wording(long number, String text, String who) {
        if (text.length() > LONGEST_WORDING) return refused("At most 4,000 characters: only the sentences about this.");
        return noted(number, notes -> notes.withWording(text.strip()), who);
    }

    public Acted part(long number, String fitted, String offered, String who) {
        if (fitted.length() > 40 || offered.length() > 40) return refused("A part number has at most 40 characters.");
        return noted(number, notes -> notes.withPart(fitted.strip(), offered.strip()), who);
    }

    public Acted origin(long number, String name, String who) {
        return acts.on(number, who, Stage.DECIDE, "said where the part comes from", facts -> {
            Optional<PartOrigin> origin = find(PartOrigin.values(), name);
            if (origin.isEmpty() || !facts.job().kind().replaces()) return refused("Choose where the part comes from.");
            if (facts.runHolds()) return held();
            jobs.origin(facts.job().id(), origin.get());
            audit.record(who, "said the part is " + origin.get().words(), "job " + number, "");
            return again(number, who);
        });
    }

    public Acted feature(long number, String id, String who) {
        return acts.on(number, who, Stage.DECIDE, "chose equipment", facts -> {
            Optional<Feature> feature = facts.pack().equipment().feature(id);
            if (feature.isEmpty()) return refused("This vehicle's pack knows no such equipment.");
            if (facts.before().isEmpty()) return refused("Scan first: what is there now is compared.");
            if (facts.runHolds()) return held();
            settings.put(
                    facts.job().id(),
                    Optional.empty(),
                    PlanFacts.settings(facts, facts.before().get(), feature.get()),
                    time.instant(),
                    who);
            return noted(number, notes -> notes.withFeature(id), who);
        });
    }

    public Acted order(long number, List<String> out, List<String> in, String who) {
        return acts.on(number, who, Stage.DECIDE, "changed the wished options", facts -> {
            if (facts.pack().equipment().order().isEmpty()) return refused("This model has no vehicle order.");
            var known = facts.pack().equipment().order().get().titles().keySet();
            if (!known.containsAll(out) || !known.containsAll(in)) return refused("There is no such option code.");
            return noted(number, notes -> notes.withCodes(out, in), who);
        });
    }

    /** Adds a setting, or gives one that was chosen another value. */
    public Acted setting(long number, String key, String value, String who) {
        return acts.on(number, who, Stage.DECIDE, "chose a setting", facts -> {
            String[] parts = key.split("/", 2);
            Layout layout = facts.pack().layouts().get(parts[0]);
            if (!PlanFacts.byName(facts.job().kind())) return refused("This job changes no setting by name.");
            if (parts.length != 2 || layout == null || layout.field(parts[1]).isEmpty())
                return refused("Choose a setting.");
            if (facts.before().isEmpty()) return refused("Scan first: what is there now is compared.");
            Optional<String> now = PlanFacts.value(facts, facts.before().get(), parts[0], parts[1]);
            if (now.isEmpty()) return refused(layout.title() + " was not read: scan again.");
            if (layout.encode(Map.of(parts[1], value.strip()), Bytes.filled(layout.length(), 0))
                    instanceof Layout.Encoded.Refused(String reason)) return refused("It can't be that: " + reason);
            PutBack chosen =
                    new PutBack(PlanFacts.holder(facts, parts[0]), parts[0], parts[1], value.strip(), now.get());
            return choose(facts, chosen, who);
        });
    }

    /** One octet of one line, from an instruction found elsewhere. */
    public Acted line(long number, String text, String who) {
        return acts.on(number, who, Stage.DECIDE, "chose a line", facts -> {
            if (facts.job().kind() != JobKind.CHANGE_LINE) return refused("This job changes no line.");
            if (facts.before().isEmpty()) return refused("Scan first: what is there now is compared.");
            return switch (LineInstruction.read(text)) {
                case LineInstruction.Read.Wrong(String sentence) -> refused(sentence);
                case LineInstruction.Read.Instruction(LineInstruction instruction) -> {
                    Map<String, ModuleReading> readings = facts.before().get().readings();
                    yield switch (instruction.apply(
                            facts.pack(),
                            module -> readings.getOrDefault(module, ModuleReading.silent(module))
                                    .coding())) {
                        case LineInstruction.Applied.Refused(String sentence) -> refused(sentence);
                        case LineInstruction.Applied.Changed changed ->
                            choose(
                                    facts,
                                    new PutBack(
                                            changed.module(),
                                            changed.block(),
                                            PutBack.WHOLE,
                                            changed.to().hex(),
                                            changed.from().hex()),
                                    who);
                    };
                }
            };
        });
    }

    private Acted choose(JobFacts facts, PutBack chosen, String who) {
        if (facts.runHolds()) return held();
        List<PutBack> all = new ArrayList<>(facts.putBack());
        all.removeIf(p -> p.key().equals(chosen.key()));
        all.add(chosen);
        return settings(facts, all, who);
    }

    public Acted settingOut(long number, String key, String who) {
        return acts.on(number, who, Stage.DECIDE, "took a setting out", facts -> {
            if (facts.runHolds()) return held();
            List<PutBack> all = new ArrayList<>(facts.putBack());
            all.removeIf(p -> p.key().equals(key));
            return settings(facts, all, who);
        });
    }

    private Acted settings(JobFacts facts, List<PutBack> all, String who) {
        settings.put(facts.job().id(), Optional.empty(), all, time.instant(), who);
        return again(facts.job().number(), who);
    }

    /** Notes what a tool calls an operation; the next job finds it once this one is closed. */
    public Acted menu(
            long number, String operation, String tool, String wording, String path, String warning, String who) {
        return acts.on(number, who, "noted what a tool calls it", facts -> {
            Optional<Operation> planned = facts.plan().stream()
                    .flatMap(p -> p.plan().writes())
                    .filter(o -> o.key().equals(operation))
                    .findFirst();
            if (planned.isEmpty()) return refused("The plan has no such operation.");
            if (tool.isBlank() || wording.isBlank() || path.isBlank())
                return refused("Say the tool, what it calls it, and where it is.");
            if (tool.length() > 40 || wording.length() > 120 || path.length() > 200 || warning.length() > 200)
                return refused("That is too long to be found again.");
            MenuMap.Entry entry = new MenuMap.Entry(
                    facts.pack().id(),
                    planned.get().kind().key(),
                    planned.get().module(),
                    tool.strip(),
                    wording.strip(),
                    path.strip(),
                    warning.strip(),
                    number,
                    time.instant());
            menus.learn(entry, facts.job().id(), who);
            return DONE;
        });
    }

    /** Overrules a judgement for this job, by name and with a reason. */
    public Acted overrule(long number, String schoolKey, String answer, String reason, String who) {
        return acts.on(number, who, Stage.DECIDE, "overruled a judgement", facts -> {
            Optional<School> school = School.of(schoolKey);
            if (school.isEmpty() || !school.get().answers().contains(answer))
                return refused("Choose one of the answers.");
            if (reason.strip().length() < 5) return refused("Say in a few words why it is overruled.");
            if (reason.length() > 200) return refused("At most 200 characters for the reason.");
            if (facts.runHolds()) return held();
            store.overrule(
                    facts.job().id(), new Policy.Overrule(school.get(), answer, reason.strip(), who), time.instant());
            audit.record(who, "overruled", "job " + number, schoolKey + ": " + answer + ", " + reason.strip());
            return again(number, who);
        });
    }

    public Acted takeBack(long number, String schoolKey, String who) {
        return acts.on(number, who, Stage.DECIDE, "took an overrule back", facts -> {
            Optional<School> school = School.of(schoolKey);
            if (school.isEmpty()) return refused("There is no such question.");
            if (facts.runHolds()) return held();
            store.takeBack(facts.job().id(), school.get());
            audit.record(who, "took the overrule back", "job " + number, schoolKey);
            return again(number, who);
        });
    }

    private Acted noted(long number, Function<DecideNotes, DecideNotes> change, String who) {
        return acts.on(number, who, Stage.DECIDE, "noted for the plan", facts -> {
            if (facts.runHolds()) return held();
            store.put(facts.job().id(), change.apply(facts.decided().notes()), time.instant(), who);
            return again(number, who);
        });
    }

    /** The plan that is there no longer rests on what was said: it is made again. */
    private Acted again(long number, String who) {
        return desk.facts(number).plan().isPresent() ? plans.plan(number, who) : DONE;
    }

    private static <E extends Enum<E>> Optional<E> find(E[] values, String name) {
        for (E value : values) if (value.name().equals(name)) return Optional.of(value);
        return Optional.empty();
    }

    private static Acted held() {
        return refused("A run is under way or waits to be recovered: the plan stays as it is.");
    }

    private static Acted refused(String sentence) {
        return new Acted.Refused(sentence, Optional.empty());
    }
}
