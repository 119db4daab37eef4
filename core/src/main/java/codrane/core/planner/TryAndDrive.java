package codrane.core.planner;

import codrane.core.pack.Concern;
import codrane.core.pack.Equipment.VehicleOrder;
import codrane.core.pack.PackModule;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.JobKind;
import codrane.core.plan.Judgement;
import codrane.core.plan.Operation;
import codrane.core.plan.Operation.Kind;
import codrane.core.plan.SettingChange;
import codrane.core.plan.VehicleFacts;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** The function itself is tried, or what stands for it is looked at; what steers, brakes, drives or looks ahead is driven. */
final class TryAndDrive implements Rule {
    /** What alters how a module works; pairing and restarting do not. */
    private static final Set<Kind> CHANGED =
            EnumSet.of(Kind.PROGRAM, Kind.WRITE_VIN, Kind.WRITE_CODING, Kind.CALIBRATE, Kind.INITIALISE);

    /** What aiming needs, whoever does it. */
    static final String[] TARGETS = {"targets for aiming", "a person trained for it"};

    private static final Set<Concern> DRIVEN =
            EnumSet.of(Concern.DRIVER_ASSISTANCE, Concern.STEERING, Concern.BRAKES, Concern.EMISSIONS);

    @Override
    public String id() {
        return "try-and-drive";
    }

    @Override
    public Judgement judge(VehicleFacts facts, Draft draft) {
        if (!draft.writes()) return Judgement.notNeeded("Nothing is written, so nothing is tried.");
        if (facts.unmounted()) return Judgement.notNeeded("What is not mounted is not tried.");
        String module = facts.newPart().or(facts::module).map(PackModule::id).orElse("");
        boolean settings = facts.kind().about() == JobKind.About.SETTINGS || facts.kind() == JobKind.ENABLE_EQUIPMENT;
        Set<Concern> own = settings ? Touched.concerns(facts) : worked(facts, draft);
        Set<Concern> worked = EnumSet.noneOf(Concern.class);
        worked.addAll(own);
        if (!wishes(facts).isEmpty()) worked.addAll(Touched.wished(facts));
        List<Operation> operations = new ArrayList<>();
        String title = settings ? title(facts, draft, own) : titles(facts, draft, own);
        operations.add(test(facts, module, title).warning(moves(facts, module, settings)));
        if (worked.stream().anyMatch(DRIVEN::contains)) operations.add(drive(module, worked));
        return new Judgement.Applies("What was changed is tried, not believed.", operations);
    }

    /** Concerns of the modules that the job itself changes; for clearing alone, of those that store faults. */
    private static Set<Concern> worked(VehicleFacts facts, Draft draft) {
        Set<Concern> worked = EnumSet.noneOf(Concern.class);
        draft.modulesOf(CHANGED).stream()
                .filter(m -> !wishedOnly(facts, draft, m))
                .forEach(m -> worked.addAll(facts.concerns(m)));
        if (facts.kind() == JobKind.CLEAR_FAULTS)
            facts.answers().forEach((m, answer) -> {
                if (!answer.faults().isEmpty()) worked.addAll(facts.concerns(m));
            });
        return worked;
    }

    /** A setting beside other work counts for what it is about, not for all that its module guards. */
    private static boolean wishedOnly(VehicleFacts facts, Draft draft, String module) {
        boolean own = facts.newPart()
                .or(facts::module)
                .filter(m -> m.id().equals(module))
                .isPresent();
        boolean wished = facts.wished().stream().anyMatch(s -> s.module().equals(module))
                || EnableFeature.changes(facts, facts.askedFeatures()).stream()
                        .anyMatch(s -> s.module().equals(module));
        return wished && !own && !draft.has(Kind.PROGRAM, module) && !draft.has(Kind.DERIVE_CODING, module);
    }

    private static Operation test(VehicleFacts facts, String module, String title) {
        String complaint = facts.aids().said().complaint().strip();
        Operation test = Operation.of(
                        Kind.FUNCTION_TEST,
                        module,
                        title,
                        Seconds.FUNCTION_TEST,
                        complaint.isEmpty() ? why(facts) : "Is the complaint mended: \"" + complaint + "\"?")
                .holding(HoldPoint.FUNCTION_TESTED)
                .prompting(InitialiseAsAsked.byHand(facts).stream()
                        .map(s -> "First: " + s)
                        .toList());
        return CalibrateAfterWriting.elsewhere(facts)
                .map(s -> test.prompting(List.of("First: " + s)).needing(TARGETS))
                .orElse(test);
    }

    private static String why(VehicleFacts facts) {
        return facts.kind() == JobKind.CLEAR_FAULTS
                ? "A fault that is real comes back when its part works."
                : "What was changed must work, whatever a reading says.";
    }

    /** The job's own work, then what was wished beside it: each is tried or looked at in its own way. */
    private static String titles(VehicleFacts facts, Draft draft, Set<Concern> own) {
        String title = title(facts, draft, own);
        List<String> wishes = wishes(facts);
        if (wishes.isEmpty()) return title;
        String names = String.join(" and ", wishes);
        Optional<String> looked = looked(Touched.wished(facts), lampsOfWished(facts), false);
        if (looked.isEmpty()) return tried(facts, draft, own) ? title + " and " + names : title + "; then try " + names;
        return title + "; then l" + looked.get().substring(1);
    }

    /** Whether the job's own work is tried by hand, and not looked at or worked in another way. */
    private static boolean tried(VehicleFacts facts, Draft draft, Set<Concern> own) {
        return facts.kind() != JobKind.CLEAR_FAULTS
                && !draft.has(Kind.PAIR)
                && looked(own, "", facts.kind().namesModule()).isEmpty();
    }

    private static String title(VehicleFacts facts, Draft draft, Set<Concern> own) {
        if (facts.kind() == JobKind.CLEAR_FAULTS)
            return looked(own, whose(facts), true)
                    .map(look -> look + "; work what else the faults were about")
                    .orElse("Work what the faults were about, and look whether they stay away");
        if (draft.has(Kind.PAIR)) return "Start the engine with every key";
        if (own.contains(Concern.HIGH_VOLTAGE)
                && !facts.kind().namesModule()
                && !wishes(facts).isEmpty())
            return "Look whether the vehicle shows " + String.join(" and ", wishes(facts))
                    + " as set; nothing is touched";
        return looked(own, whose(facts), facts.kind().namesModule()).orElseGet(() -> "Try " + what(facts));
    }

    /** The lamps of what was worked on, in words. */
    private static String whose(VehicleFacts facts) {
        if (facts.kind() == JobKind.CLEAR_FAULTS)
            return lamps(
                    facts,
                    facts.answers().entrySet().stream()
                            .filter(a -> !a.getValue().faults().isEmpty())
                            .map(Map.Entry::getKey)
                            .toList());
        return facts.newPart()
                .or(facts::module)
                .map(m -> "the lamp of the " + m.lowerTitle())
                .orElseGet(() -> lampsOfWished(facts));
    }

    private static String lampsOfWished(VehicleFacts facts) {
        return lamps(facts, facts.wished().stream().map(SettingChange::module).toList());
    }

    /** Of those of the modules that brake or steer: the one by its name, several together. */
    private static String lamps(VehicleFacts facts, List<String> modules) {
        List<String> watched = modules.stream()
                .distinct()
                .filter(m -> facts.concerns(m).contains(Concern.BRAKES)
                        || facts.concerns(m).contains(Concern.STEERING))
                .toList();
        return watched.size() == 1
                ? "the lamp of the " + facts.pack().module(watched.getFirst()).lowerTitle()
                : "their lamps";
    }

    /** A setting is tried with the part that it is about: what moves there moves then. */
    private static List<String> moves(VehicleFacts facts, String module, boolean settings) {
        if (!settings || !module.isEmpty()) return List.of();
        return facts.wished().stream()
                .map(SettingChange::module)
                .flatMap(m -> facts.concerns(m).stream())
                .filter(c -> c == Concern.MOVING_PARTS || c == Concern.LIFTING)
                .distinct()
                .map(Concern::caution)
                .toList();
    }

    /** "Look …" where nothing is tried by hand, or not at once. */
    private static Optional<String> looked(Set<Concern> concerns, String lamp, boolean module) {
        if (concerns.contains(Concern.RESTRAINTS))
            return Optional.of(
                    "Look at the restraints lamp: on with the key, out after some seconds, and no fault stored");
        if (concerns.contains(Concern.HIGH_VOLTAGE) && module)
            return Optional.of("Look at the drive's ready lamp and the insulation reading; nothing is touched");
        if (concerns.contains(Concern.BRAKES) || concerns.contains(Concern.STEERING))
            return Optional.of("Look at " + lamp + ", then try it standing, wheels free");
        return concerns.contains(Concern.DRIVER_ASSISTANCE)
                ? Optional.of("Look that it reports itself aimed and no message stays")
                : Optional.empty();
    }

    /** What the job is about, in words. */
    private static String what(VehicleFacts facts) {
        Optional<String> module = facts.newPart()
                .or(facts::module)
                .map(m -> "the " + m.lowerTitle() + (m.plural() ? " in all they do" : " in all it does"));
        List<String> wishes = facts.kind().about() == JobKind.About.ORDER ? ordered(facts) : wishes(facts);
        return module.orElse(wishes.isEmpty() ? "what was changed" : String.join(" and ", wishes));
    }

    /** Names of settings and equipment that are not as wished yet. */
    private static List<String> wishes(VehicleFacts facts) {
        List<String> names = new ArrayList<>();
        facts.askedFeatures().stream()
                .filter(f -> EnableFeature.changes(facts, List.of(f)).stream().anyMatch(TryAndDrive::changes))
                .forEach(f -> names.add("\"" + f.title() + "\""));
        facts.wished().stream()
                .filter(TryAndDrive::changes)
                .map(s -> "\"" + s.title() + "\"")
                .distinct()
                .forEach(names::add);
        return names;
    }

    /** What the vehicle order brings and takes, in its own words. */
    private static List<String> ordered(VehicleFacts facts) {
        Map<String, String> titles =
                facts.pack().equipment().order().map(VehicleOrder::titles).orElse(Map.of());
        List<String> in = facts.wishes().order().in().stream()
                .map(code -> "\"" + titles.getOrDefault(code, code) + "\"")
                .toList();
        return !in.isEmpty()
                ? in
                : facts.wishes().order().out().stream()
                        .map(code -> "whether \"" + titles.getOrDefault(code, code) + "\" is gone")
                        .toList();
    }

    private static boolean changes(SettingChange change) {
        return !change.from().equals(change.to());
    }

    private static Operation drive(String module, Set<Concern> worked) {
        boolean monitors = worked.contains(Concern.EMISSIONS);
        Operation drive = Operation.of(
                Kind.DRIVE,
                module,
                monitors
                        ? "Drive it until every monitor is complete, then look at the faults again"
                        : "Drive it, then look at the faults again",
                monitors ? Seconds.DRIVE_FOR_MONITORS : Seconds.DRIVE,
                monitors
                        ? "Monitors of the exhaust begin anew after this work, and only a drive completes them."
                        : "Some faults need a drive to show, or to go.");
        // of a module the caution comes with it
        return module.isEmpty()
                ? drive.warning(worked.stream()
                        .filter(c -> DRIVEN.contains(c) && c != Concern.EMISSIONS)
                        .map(Concern::caution)
                        .toList())
                : drive;
    }
}
