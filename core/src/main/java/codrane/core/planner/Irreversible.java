package codrane.core.planner;

import codrane.core.pack.VinLock;
import codrane.core.plan.JobKind;
import codrane.core.plan.Operation;
import codrane.core.plan.VehicleFacts;

/** What can't be undone once it is written. */
final class Irreversible {
    private Irreversible() {}

    static boolean is(VehicleFacts facts, Operation operation) {
        return switch (operation.kind()) {
            case PAIR -> true;
            case WRITE_VIN -> facts.pack().module(operation.module()).traits().vinLock() != VinLock.REWRITABLE;
            // a licence is bound to the VIN at its first use
            case WRITE_CODING -> facts.kind() == JobKind.CHOOSE_VARIANT;
            default -> false;
        };
    }
}
