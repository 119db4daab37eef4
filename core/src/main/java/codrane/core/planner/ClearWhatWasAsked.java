package codrane.core.planner;

import codrane.core.fault.Fault;
import codrane.core.plan.JobKind;
import codrane.core.plan.Judgement;
import codrane.core.plan.VehicleFacts;

/** A job that is about faults clears them, when there are any and when they are written down. */
final class ClearWhatWasAsked implements Rule {
    @Override
    public String id() {
        return "clear-what-was-asked";
    }

    @Override
    public Judgement judge(VehicleFacts facts, Draft draft) {
        if (facts.kind() != JobKind.CLEAR_FAULTS) return Judgement.notNeeded("This job is not about faults alone.");
        long stored = facts.answers().values().stream()
                .mapToLong(a -> a.faults().size())
                .sum();
        if (stored == 0) return Judgement.blocked("No fault is stored: there is nothing to clear.");
        long present = facts.answers().values().stream()
                .flatMap(a -> a.faults().stream())
                .filter(Fault::present)
                .count();
        String reason = stored
                + (stored == 1 ? " fault is stored" : " faults are stored")
                + (present == 0
                        ? ", none of them present: clearing should be enough."
                        : "; " + present + " present now, and comes back until its cause is mended.");
        return Judgement.applies(reason, ClearAfterWriting.clearing(facts, reason));
    }
}
