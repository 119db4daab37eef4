package codrane.core.job.hold;

import codrane.core.job.JobState;
import codrane.core.plan.HoldPoint;
import java.util.Optional;

/** The market's rules ask for the lead's approval. */
final class LeadApproved implements HoldRule {
    @Override
    public HoldPoint point() {
        return HoldPoint.LEAD_APPROVED;
    }

    @Override
    public boolean needed(JobState state) {
        return state.planHolds(HoldPoint.LEAD_APPROVED);
    }

    @Override
    public Optional<String> missing(JobState state) {
        return PlanStands.missing(state);
    }
}
