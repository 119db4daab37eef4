package codrane.core.job.hold;

import codrane.core.job.JobState;
import codrane.core.job.PlanFacts;
import codrane.core.plan.HoldPoint;

/** Keys or the immobiliser are touched: the owner proved to be one. */
final class OwnershipProved implements HoldRule {
    @Override
    public HoldPoint point() {
        return HoldPoint.OWNERSHIP_PROVED;
    }

    @Override
    public boolean needed(JobState state) {
        return PlanFacts.touchesImmobiliser(state);
    }

    @Override
    public boolean kept(JobState state) {
        return !state.intake().details().ownership().isBlank();
    }
}
