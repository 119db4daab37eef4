package codrane.app.job;

import codrane.core.access.AccessNeed;
import codrane.core.access.Authorisation;
import codrane.core.gateway.OperationMatrix;
import codrane.core.gateway.OperationMatrix.Gateway;
import codrane.core.gateway.OperationMatrix.Operation;
import codrane.core.gateway.OperationMatrix.Verdict;
import codrane.core.job.JobAccess;
import codrane.core.pack.Pack;
import java.time.Duration;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;

/**
 * The page of the stage Unlock.
 *
 * @param family how the gateway is opened, in words
 * @param operations what passes now, and what passes once it is open
 */
public record UnlockView(
        String authority,
        String family,
        String lies,
        Instant askedAt,
        List<AccessNeed> needs,
        List<Passes> operations,
        List<Authorisation> authorisations) {
    /** Whether one kind of work passes the gateway. */
    public record Passes(String what, boolean now, boolean then) {}

    static UnlockView of(JobFacts facts, String who, List<Authorisation> authorisations) {
        Pack.GatewayPolicy policy = facts.pack().gateway().orElseThrow();
        JobAccess access = facts.access();
        Gateway open = new Gateway.Authorised(access.now().plus(Duration.ofHours(1)));
        return new UnlockView(
                access.account().map(a -> a.account().authority()).orElse(policy.authority()),
                policy.family() == Pack.Family.TOKEN
                        ? "a signed token, handed over in one request"
                        : "a certificate, and the proof that its key is ours",
                policy.locked() == Pack.Locked.CLAIMS_DONE
                        ? "Locked, this one answers \"done\" to a clear and does nothing."
                        : "Locked, this one refuses in so many words.",
                access.account().map(a -> a.account().askedAt()).orElse(access.now()),
                access.needs(who),
                Arrays.stream(Operation.values())
                        .map(o -> new Passes(
                                o.words(), passes(o, access.gateway(), access.now()), passes(o, open, access.now())))
                        .toList(),
                authorisations);
    }

    private static boolean passes(Operation operation, Gateway gateway, Instant now) {
        return OperationMatrix.judge(operation, gateway, now) instanceof Verdict.Allowed;
    }
}
