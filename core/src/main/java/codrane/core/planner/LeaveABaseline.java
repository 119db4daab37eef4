package codrane.core.planner;

import codrane.core.plan.JobKind;
import codrane.core.plan.Judgement;
import codrane.core.plan.Operation;
import codrane.core.plan.Operation.Kind;
import codrane.core.plan.VehicleFacts;

/** Every job that wrote ends with a baseline of how the vehicle is left: a setting lost later is found by it. */
final class LeaveABaseline implements Rule {
    @Override
    public String id() {
        return "leave-a-baseline";
    }

    @Override
    public Judgement judge(VehicleFacts facts, Draft draft) {
        if (!draft.writes() || facts.kind() == JobKind.READY_TOOL)
            return Judgement.notNeeded("Nothing is written, so the vehicle is left as it was found.");
        String reason = "A setting that is lost later is found by how the vehicle was left.";
        return Judgement.applies(
                reason,
                Operation.of(
                        Kind.AS_LEFT,
                        "",
                        "Store a baseline of how the vehicle is left",
                        Seconds.baseline(facts),
                        reason));
    }
}
