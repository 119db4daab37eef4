package codrane.core.job.hold;

import codrane.core.job.JobState;
import codrane.core.plan.HoldPoint;

/** Every gap of the reference was confirmed. */
final class GapsConfirmed implements HoldRule {
    @Override
    public HoldPoint point() {
        return HoldPoint.GAPS_CONFIRMED;
    }

    @Override
    public boolean needed(JobState state) {
        return state.planHolds(HoldPoint.GAPS_CONFIRMED);
    }
}
