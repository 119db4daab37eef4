package codrane.core.planner;

import codrane.core.gateway.OperationMatrix.Gateway;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.JobKind;
import codrane.core.plan.Judgement;
import codrane.core.plan.Operation;
import codrane.core.plan.Operation.Kind;
import codrane.core.plan.VehicleFacts;

/** What a secure gateway blocks is planned only after it was opened. */
final class AuthoriseBeforeWriting implements Rule {
    @Override
    public String id() {
        return "authorise-before-writing";
    }

    @Override
    public Judgement judge(VehicleFacts facts, Draft draft) {
        if (facts.gateway() instanceof Gateway.None) return Judgement.notNeeded("This vehicle has no secure gateway.");
        boolean clears = facts.kind() == JobKind.CLEAR_FAULTS;
        if (!draft.writes() && !clears) return Judgement.notNeeded("Reading passes the gateway in every state.");
        String reason = "The secure gateway stops everything that writes, and may say \"done\" all the same.";
        return Judgement.applies(
                reason,
                Operation.of(Kind.UNLOCK, "", "Have the gateway authorised, and see it open", Seconds.AUTHORISE, reason)
                        .needing("account, technician and tool at the authority")
                        .holding(HoldPoint.AUTHORISED));
    }
}
