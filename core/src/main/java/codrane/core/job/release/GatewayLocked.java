package codrane.core.job.release;

import codrane.core.job.JobAccess;
import codrane.core.job.JobState;
import codrane.core.job.OpenFor;
import codrane.core.job.act.Stop;
import codrane.core.job.act.StopRule;
import codrane.core.job.hold.HoldRules;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.Stage;
import codrane.core.text.Words;
import java.util.List;
import java.util.Optional;

/** All that is open is the gateway: authorising leads back to the run. */
final class GatewayLocked implements StopRule {
    @Override
    public Optional<Stop> judge(JobState state) {
        List<HoldPoint> open = HoldRules.progress(state).openBefore(Stage.RUN);
        if (!open.equals(List.of(HoldPoint.AUTHORISED))) return Optional.empty();
        return Optional.of(new Stop(reason(state.access(), OpenFor.seconds(state)), Optional.of(Stage.UNLOCK)));
    }

    /** Why the gateway keeps a run from starting. */
    static String reason(JobAccess access, int neededSeconds) {
        if (access.open())
            return "Not started. The authorisation ends in "
                    + Words.lasting(access.left().toSeconds()) + ", and about " + Words.lasting(neededSeconds)
                    + " are needed: authorise again first. Nothing was sent.";
        if (access.expired()) return "Not started. The authorisation has ended. Nothing was sent.";
        return "Not started. The gateway is locked: what writes would be refused, or answered with a \"done\" that is"
                + " a lie. Nothing was sent.";
    }
}
