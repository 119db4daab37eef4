package codrane.core.job.hold;

import codrane.core.job.JobState;
import codrane.core.plan.HoldPoint;

/** What the plan wants for the vehicle to come to rest was done, as a person saw it. */
final class Settled implements HoldRule {
    @Override
    public HoldPoint point() {
        return HoldPoint.SETTLED;
    }

    @Override
    public boolean needed(JobState state) {
        return !state.leftToSettle().isEmpty();
    }
}
