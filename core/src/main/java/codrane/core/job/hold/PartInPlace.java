package codrane.core.job.hold;

import codrane.core.job.JobState;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.Operation.Kind;

/** A plan that ends with the swap is followed by another one, which rests on what the new part answers. */
final class PartInPlace implements HoldRule {
    @Override
    public HoldPoint point() {
        return HoldPoint.PART_IN_PLACE;
    }

    /** Until the next plan: that one has no swap before its writes. */
    @Override
    public boolean needed(JobState state) {
        return state.planHas(Kind.SWAP) && state.writes().isEmpty();
    }
}
