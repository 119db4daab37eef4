package codrane.core.planner;

import codrane.core.pack.Concern;
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
import java.util.Optional;
import java.util.Set;

/** The function itself is tried, or what stands for it is looked at; what steers, brakes, drives or looks ahead is driven. */
final class TryAndDrive implements Rule {
    /** What alters how a module works; pairing and restarting do not. */
    private static final Set<Kind> CHANGED =
            EnumSet.of(Kind.PROGRAM, Kind.WRITE_VIN, Kind.WRITE_CODING, Kind.CALIBRATE, Kind.INITIALISE);

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
        operations.add(test(facts, module, settings ? title(facts, draft, own) : titles(facts, draft, own)));
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
                || facts.wishedFeature().stream()
                        .flatMap(f -> EnableFeature.changes(facts, f).stream())
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
                        complaint.isEmpty()
                                ? "What was changed must work, whatever a reading says."
                                : "Is the complaint mended: \"" + complaint + "\"?")
                .holding(HoldPoint.FUNCTION_TESTED);
        Optional<String> byHand = InitialiseAsAsked.byHand(facts);
        return byHand.isEmpty() ? test : test.prompting(List.of("First: " + byHand.get()));
    }

    /** The job's own work, then what was wished beside it: each is tried or looked at in its own way. */
    private static String titles(VehicleFacts facts, Draft draft, Set<Concern> own) {
        String title = title(facts, draft, own);
        List<String> wishes = wishes(facts);
        if (wishes.isEmpty()) return title;
        String names = String.join(" and ", wishes);
        Optional<String> looked = looked(Touched.wished(facts), false);
        if (looked.isEmpty()) return tried(facts, draft, own) ? title + " and " + names : title + "; then try " + names;
        return title + "; then l" + looked.get().substring(1);
    }

    /** Whether the job's own work is tried by hand, and not looked at or worked in another way. */
    private static boolean tried(VehicleFacts facts, Draft draft, Set<Concern> own) {
        return facts.kind() != JobKind.CLEAR_FAULTS
                && !draft.has(Kind.PAIR)
                && looked(own, facts.kind().namesModule()).isEmpty();
    }

    private static String title(VehicleFacts facts, Draft draft, Set<Concern> own) {
        if (facts.kind() == JobKind.CLEAR_FAULTS)
            return "Work what the faults were about, and look whether they stay away";
        if (draft.has(Kind.PAIR)) return "Start the engine with every key";
        return looked(own, facts.kind().namesModule()).orElseGet(() -> "Try " + what(facts));
    }

    /** "Look …" where nothing is tried by hand, or not at once. */
    private static Optional<String> looked(Set<Concern> concerns, boolean module) {
        if (concerns.contains(Concern.RESTRAINTS))
            return Optional.of(
                    "Look at the restraints lamp: on with the key, out after some seconds, and no fault stored");
        if (concerns.contains(Concern.HIGH_VOLTAGE) && module)
            return Optional.of("Look at the drive's ready lamp and the insulation reading; nothing is touched");
        if (concerns.contains(Concern.BRAKES) || concerns.contains(Concern.STEERING))
            return Optional.of("Look at its lamp, then try it standing, wheels free");
        return concerns.contains(Concern.DRIVER_ASSISTANCE)
                ? Optional.of("Look that it reports itself aimed and no message stays")
                : Optional.empty();
    }

    /** What the job is about, in words. */
    private static String what(VehicleFacts facts) {
        Optional<String> module =
                facts.newPart().or(facts::module).map(m -> "the " + m.lowerTitle() + " in all it does");
        List<String> wishes = wishes(facts);
        return module.orElse(wishes.isEmpty() ? "what was changed" : String.join(" and ", wishes));
    }

    /** Names of settings and equipment that are not as wished yet. */
    private static List<String> wishes(VehicleFacts facts) {
        List<String> names = new ArrayList<>();
        facts.wishedFeature()
                .filter(f -> EnableFeature.changes(facts, f).stream().anyMatch(TryAndDrive::changes))
                .ifPresent(f -> names.add("\"" + f.title() + "\""));
        facts.wished().stream()
                .filter(TryAndDrive::changes)
                .map(s -> "\"" + s.title() + "\"")
                .distinct()
                .forEach(names::add);
        return names;
    }

    private static boolean changes(SettingChange change) {
        return !change.from().equals(change.to());
    }

    private static Operation drive(String module, Set<Concern> worked) {
        boolean monitors = worked.contains(Concern.EMISSIONS);
        return Operation.of(
                Kind.DRIVE,
                module,
                monitors
                        ? "Drive it until every monitor is complete, then look at the faults again"
                        : "Drive it, then look at the faults again",
                monitors ? Seconds.DRIVE_FOR_MONITORS : Seconds.DRIVE,
                monitors
                        ? "Monitors of the exhaust begin anew after this work, and only a drive completes them."
                        : "Some faults need a drive to show, or to go.");
    }
}
