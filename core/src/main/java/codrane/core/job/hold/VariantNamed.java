package codrane.core.job.hold;

import codrane.core.job.JobState;
import codrane.core.plan.HoldPoint;

/** A person said which variant it is, where the VIN does not tell. */
final class VariantNamed implements HoldRule {
    @Override
    public HoldPoint point() {
        return HoldPoint.VARIANT_NAMED;
    }

    @Override
    public boolean needed(JobState state) {
        return !state.variants().isEmpty();
    }

    @Override
    public boolean kept(JobState state) {
        return state.variants().contains(state.intake().variant());
    }
}
