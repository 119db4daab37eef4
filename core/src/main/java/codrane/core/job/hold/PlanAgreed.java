package codrane.core.job.hold;

import codrane.core.job.HoldNote;
import codrane.core.job.JobState;
import codrane.core.plan.HoldPoint;
import java.util.Optional;

/** A person agreed to the plan, and it rests on the newest scan. */
final class PlanAgreed implements HoldRule {
    @Override
    public HoldPoint point() {
        return HoldPoint.PLAN_AGREED;
    }

    @Override
    public boolean holds(JobState state, HoldNote note) {
        return !state.planIsOld();
    }

    @Override
    public Optional<String> missing(JobState state) {
        return PlanStands.missing(state);
    }
}
