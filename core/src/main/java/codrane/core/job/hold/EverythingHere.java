package codrane.core.job.hold;

import codrane.core.job.JobState;
import codrane.core.plan.HoldPoint;
import codrane.core.ready.Readiness;

/** Everything that the plan needs is here. */
final class EverythingHere implements HoldRule {
    @Override
    public HoldPoint point() {
        return HoldPoint.EVERYTHING_HERE;
    }

    @Override
    public boolean needed(JobState state) {
        return state.readiness().map(r -> !r.prepared().isEmpty()).orElse(false);
    }

    @Override
    public boolean kept(JobState state) {
        return state.runFinished()
                || state.runHolds()
                || state.readiness().map(Readiness::everythingHere).orElse(false);
    }
}
