package codrane.core.job.hold;

import codrane.core.job.JobState;
import codrane.core.plan.HoldPoint;

/** One request was answered, and not by another vehicle since. */
final class LinkProven implements HoldRule {
    @Override
    public HoldPoint point() {
        return HoldPoint.LINK_PROVEN;
    }

    @Override
    public boolean kept(JobState state) {
        return state.linkCheck().isPresent() && state.benched().stranger().isEmpty();
    }
}
