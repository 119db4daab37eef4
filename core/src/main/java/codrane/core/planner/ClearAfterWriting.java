package codrane.core.planner;

import codrane.core.plan.HoldPoint;
import codrane.core.plan.Judgement;
import codrane.core.plan.Operation;
import codrane.core.plan.Operation.Kind;
import codrane.core.plan.VehicleFacts;

final class ClearAfterWriting implements Rule {
    @Override
    public String id() {
        return "clear-after-writing";
    }

    @Override
    public Judgement judge(VehicleFacts facts, Draft draft) {
        boolean identity = draft.has(Kind.PROGRAM)
                || draft.has(Kind.WRITE_VIN)
                || draft.has(Kind.PAIR)
                || draft.has(Kind.WRITE_ORDER);
        boolean part = facts.newPart().isPresent()
                && facts.answer(facts.newPart().get().id()).answers();
        boolean learned = draft.has(Kind.RELEARN) || draft.has(Kind.INITIALISE) || draft.has(Kind.CALIBRATE);
        if (!(identity || part || learned))
            return Judgement.notNeeded("Nothing leaves faults behind, so nothing is cleared.");
        String reason = part
                ? "Faults that the other part left are cleared, and read again at once."
                : "Faults that the work itself left are cleared, and read again at once.";
        return Judgement.applies(reason, clearing(facts, reason));
    }

    /** Clears every fault memory, after faults were written down. */
    static Operation clearing(VehicleFacts facts, String reason) {
        return Operation.of(Kind.CLEAR, "", "Clear the faults of all modules", Seconds.scan(facts), reason)
                .needing("faults recorded")
                .holding(HoldPoint.FAULTS_RECORDED);
    }
}
