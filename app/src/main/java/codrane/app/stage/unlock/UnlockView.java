package codrane.app.stage.unlock;

import codrane.app.job.Viewer;
import codrane.core.access.AccessNeed;
import codrane.core.access.Authorisation;
import codrane.core.gateway.OperationMatrix;
import codrane.core.gateway.OperationMatrix.Gateway;
import codrane.core.gateway.OperationMatrix.Operation;
import codrane.core.gateway.OperationMatrix.Verdict;
import codrane.core.job.JobAccess;
import codrane.core.job.JobState;
import codrane.core.pack.Pack;
import java.time.Duration;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/** The page of Unlock; empty for a vehicle without a gateway. */
public record UnlockView(Optional<Door> door) {
    /**
     * A gateway, and the authority that opens it.
     *
     * @param family how it is opened, in words
     * @param refused the act that was refused last, as a sentence; empty when none was
     */
    public record Door(
            long number,
            Authority authority,
            String family,
            String lies,
            String refused,
            List<Passes> operations,
            List<Granted> granted) {}

    /**
     * @param asked when it was asked last, in words
     * @param asking whether it is being asked now: the page is loaded anew then
     */
    public record Authority(String title, String asked, boolean asking, List<Line> needs) {}

    /** What the authority wants. */
    public record Line(boolean met, String sentence) {}

    /** Whether one kind of work passes the gateway. */
    public record Passes(String what, boolean now, boolean then) {}

    /** An authorisation of this vehicle. */
    public record Granted(String at, String until, String technician, String tool, String seen) {}

    static UnlockView none() {
        return new UnlockView(Optional.empty());
    }

    static UnlockView of(JobState state, Viewer viewer, boolean asking, List<Authorisation> granted) {
        Pack.GatewayPolicy policy = state.pack().gateway().orElseThrow();
        JobAccess access = state.access();
        return new UnlockView(Optional.of(new Door(
                state.job().number(),
                authority(state, policy, viewer, asking),
                policy.family() == Pack.Family.TOKEN
                        ? "a signed token, handed over in one request"
                        : "a certificate, and the proof that its key is ours",
                policy.locked() == Pack.Locked.CLAIMS_DONE
                        ? "Locked, this one answers \"done\" to a clear and does nothing."
                        : "Locked, this one refuses in so many words.",
                access.refused()
                        .map(r -> "Refused before: " + r.title() + ", "
                                + state.now().dayAndTime(r.at()) + ". Authorising leads back to it.")
                        .orElse(""),
                operations(access),
                granted.stream().map(a -> granted(state, a)).toList())));
    }

    private static Authority authority(JobState state, Pack.GatewayPolicy policy, Viewer viewer, boolean asking) {
        List<AccessNeed> needs = state.access().needs(viewer.name());
        return new Authority(
                state.access().account().map(a -> a.account().authority()).orElse(policy.authority()),
                state.access()
                        .account()
                        .map(a -> state.now().dayAndTime(a.account().askedAt()))
                        .orElse("never"),
                asking,
                needs.stream().map(n -> new Line(n.held(), n.sentence())).toList());
    }

    private static Granted granted(JobState state, Authorisation a) {
        return new Granted(
                state.now().dayAndTime(a.grantedAt()),
                state.now().dayAndTime(a.until()),
                a.technician(),
                a.tool(),
                a.believed() ? "let something harmless through" : a.whyEnded());
    }

    private static List<Passes> operations(JobAccess access) {
        Gateway open = new Gateway.Authorised(access.now().plus(Duration.ofHours(1)));
        return Arrays.stream(Operation.values())
                .map(o ->
                        new Passes(o.words(), passes(o, access.gateway(), access.now()), passes(o, open, access.now())))
                .toList();
    }

    private static boolean passes(Operation operation, Gateway gateway, Instant now) {
        return OperationMatrix.judge(operation, gateway, now) instanceof Verdict.Allowed;
    }
}
