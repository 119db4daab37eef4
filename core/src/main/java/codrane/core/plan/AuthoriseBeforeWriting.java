package codrane.core.plan;

import codrane.core.gateway.OperationMatrix.Gateway;
import java.util.List;

/** What a secure gateway blocks is planned only after it was opened. */
final class AuthoriseBeforeWriting implements Rule {
    private static final int SECONDS = 30;

    @Override
    public String id() {
        return "authorise-before-writing";
    }

    @Override
    public Judgement judge(VehicleFacts facts) {
        if (facts.gateway() instanceof Gateway.None)
            return new Judgement.NotNeeded("This vehicle has no secure gateway.");
        if (facts.kind() == JobKind.BASELINE_ONLY)
            return new Judgement.NotNeeded("Reading passes the gateway in every state.");
        String reason = "The secure gateway stops everything that writes, and may say \"done\" all the same.";
        return Judgement.Applies.of(
                reason,
                new Operation(
                        Operation.Kind.UNLOCK,
                        "",
                        "Have the gateway authorised, and see it open",
                        List.of(reason),
                        List.of("account, technician and tool at the authority"),
                        List.of(HoldPoint.AUTHORISED),
                        true,
                        SECONDS,
                        List.of()));
    }
}
