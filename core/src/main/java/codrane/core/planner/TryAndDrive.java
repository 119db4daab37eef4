package codrane.core.planner;

import codrane.core.pack.Concern;
import codrane.core.pack.PackModule;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.JobKind;
import codrane.core.plan.Judgement;
import codrane.core.plan.Operation;
import codrane.core.plan.Operation.Kind;
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
        Set<Concern> worked = worked(facts, draft);
        List<Operation> operations = new ArrayList<>();
        operations.add(test(facts, draft, module, worked));
        if (worked.stream().anyMatch(DRIVEN::contains)) operations.add(drive(module, worked));
        return new Judgement.Applies("What was changed is tried, not believed.", operations);
    }

    /** Concerns of the settings that are written, else of the modules; for clearing alone, of those that store faults. */
    private static Set<Concern> worked(VehicleFacts facts, Draft draft) {
        boolean settings = facts.kind().about() == JobKind.About.SETTINGS || facts.kind() == JobKind.ENABLE_EQUIPMENT;
        if (settings) return Touched.concerns(facts);
        Set<Concern> worked = EnumSet.noneOf(Concern.class);
        if (!facts.wished().isEmpty() || facts.wishedFeature().isPresent()) worked.addAll(Touched.concerns(facts));
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

    private static Operation test(VehicleFacts facts, Draft draft, String module, Set<Concern> worked) {
        String complaint = facts.aids().said().complaint().strip();
        Operation test = Operation.of(
                        Kind.FUNCTION_TEST,
                        module,
                        title(facts, draft, worked),
                        Seconds.FUNCTION_TEST,
                        complaint.isEmpty()
                                ? "What was changed must work, whatever a reading says."
                                : "Is the complaint mended: \"" + complaint + "\"?")
                .holding(HoldPoint.FUNCTION_TESTED);
        Optional<String> byHand = InitialiseAsAsked.byHand(facts);
        return byHand.isEmpty() ? test : test.prompting(List.of("First: " + byHand.get()));
    }

    private static String title(VehicleFacts facts, Draft draft, Set<Concern> worked) {
        if (facts.kind() == JobKind.CLEAR_FAULTS)
            return "Work what the faults were about, and look whether they stay away";
        if (draft.has(Kind.PAIR)) return "Start the engine with every key";
        if (worked.contains(Concern.RESTRAINTS))
            return "Look at the restraints lamp: on with the key, out after some seconds, and no fault stored";
        if (worked.contains(Concern.HIGH_VOLTAGE) && facts.kind().namesModule())
            return "Look at the drive's ready lamp and the insulation reading; nothing is touched";
        if (worked.contains(Concern.BRAKES) || worked.contains(Concern.STEERING))
            return "Look at its lamp, then try it standing, wheels free";
        if (worked.contains(Concern.DRIVER_ASSISTANCE)) return "Look that it reports itself aimed and no message stays";
        return "Try " + what(facts);
    }

    /** What the job is about, in words. */
    private static String what(VehicleFacts facts) {
        List<String> all = new ArrayList<>();
        facts.newPart().or(facts::module).ifPresent(m -> all.add("the " + m.lowerTitle() + " in all it does"));
        facts.wishedFeature().ifPresent(f -> all.add("\"" + f.title() + "\""));
        facts.wished().stream().map(s -> "\"" + s.title() + "\"").distinct().forEach(all::add);
        return all.isEmpty() ? "what was changed" : String.join(" and ", all);
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
