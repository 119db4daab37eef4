package codrane.core.job.hold;

import codrane.core.job.JobState;
import codrane.core.plan.HoldPoint;

/** Every write of the run was read back. */
final class RunFinished implements HoldRule {
    @Override
    public HoldPoint point() {
        return HoldPoint.RUN_FINISHED;
    }

    @Override
    public boolean kept(JobState state) {
        return state.runFinished();
    }
}
