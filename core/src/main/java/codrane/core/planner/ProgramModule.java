package codrane.core.planner;

import codrane.core.pack.PackModule;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.Operation;
import codrane.core.plan.Operation.Kind;
import codrane.core.plan.ProgrammingSeconds;
import codrane.core.plan.VehicleFacts;
import java.util.List;

/** The operation that programs one module. */
final class ProgramModule {
    private ProgramModule() {}

    /** @param module with a flash memory that the pack describes */
    static Operation of(VehicleFacts facts, PackModule module, String title, String reason) {
        return Operation.of(
                        Kind.PROGRAM,
                        module.id(),
                        title,
                        ProgrammingSeconds.of(facts.pack(), module.flash().orElseThrow()),
                        reason)
                .needing("calibration for its hardware", "supply at programming voltage")
                .holding(HoldPoint.FILE_CHECKED, HoldPoint.POWER_READY)
                .prompting(List.of("Key on, engine off"))
                .prompting(Looks.whileWritten(module))
                .notStoppable();
    }
}
