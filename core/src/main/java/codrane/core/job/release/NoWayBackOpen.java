package codrane.core.job.release;

import codrane.core.job.JobState;
import codrane.core.job.act.Stop;
import codrane.core.job.act.StopRule;
import codrane.core.job.hold.HoldRules;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.JobProgress.Hold;
import java.util.Optional;

/** Something can't be undone, and nobody looked once more. */
final class NoWayBackOpen implements StopRule {
    @Override
    public Optional<Stop> judge(JobState state) {
        boolean open = HoldRules.progress(state).hold(HoldPoint.NO_WAY_BACK) == Hold.OPEN;
        return Stop.unless(
                !open, "Not started. Something can't be undone: look at VIN and part once more, and say so.");
    }
}
