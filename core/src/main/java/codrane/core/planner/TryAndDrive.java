package codrane.core.planner;

import codrane.core.pack.Concern;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.JobKind;
import codrane.core.plan.Judgement;
import codrane.core.plan.Operation;
import codrane.core.plan.Operation.Kind;
import codrane.core.plan.PartFacts;
import codrane.core.plan.VehicleFacts;
import java.util.ArrayList;
import java.util.List;

/** The function itself is tried; what steers, brakes or looks ahead is driven, too. */
final class TryAndDrive implements Rule {
    @Override
    public String id() {
        return "try-and-drive";
    }

    @Override
    public Judgement judge(VehicleFacts facts, Draft draft) {
        if (!draft.writes()) return Judgement.notNeeded("Nothing is written, so nothing is tried.");
        boolean faults = facts.kind() == JobKind.CLEAR_FAULTS;
        String module = facts.module().map(m -> m.id()).orElse("");
        List<Operation> operations = new ArrayList<>();
        operations.add(Operation.of(
                        Kind.FUNCTION_TEST,
                        module,
                        faults
                                ? "Work what the faults were about, and look whether they stay away"
                                : draft.has(Kind.PAIR) ? "Start the engine with every key" : "Try the function itself",
                        Seconds.FUNCTION_TEST,
                        "Did it mend the complaint?")
                .prompting(loose(facts))
                .holding(HoldPoint.FUNCTION_TESTED));
        boolean drives = draft.writtenModules().stream()
                .anyMatch(m -> facts.concerns(m).contains(Concern.DRIVER_ASSISTANCE)
                        || facts.concerns(m).contains(Concern.STEERING));
        if (drives)
            operations.add(Operation.of(
                    Kind.DRIVE,
                    module,
                    "Drive it, then look at the faults again",
                    Seconds.DRIVE,
                    "Some faults need a drive to show, or to go."));
        return new Judgement.Applies("What was changed is tried, not believed.", operations);
    }

    /** What was written unmounted is proved a second time. */
    private static List<String> loose(VehicleFacts facts) {
        boolean unmounted = facts.kind().replaces()
                && facts.part()
                        .state()
                        .filter(s -> s != PartFacts.State.MOUNTED)
                        .isPresent();
        return unmounted ? List.of("It is not mounted yet: mount it, then scan and try it once more") : List.of();
    }
}
