package codrane.core.job.hold;

import codrane.core.job.JobState;
import codrane.core.plan.HoldPoint;
import java.util.Optional;

/** VIN and part were looked at once more. */
final class NoWayBack implements HoldRule {
    @Override
    public HoldPoint point() {
        return HoldPoint.NO_WAY_BACK;
    }

    @Override
    public boolean needed(JobState state) {
        return state.planHolds(HoldPoint.NO_WAY_BACK);
    }

    @Override
    public Optional<String> missing(JobState state) {
        return PlanStands.missing(state);
    }
}
