package codrane.core.job.hold;

import codrane.core.job.JobState;
import codrane.core.plan.HoldPoint;

/** The old module was read while it still was in, or can't be. */
final class OldModuleRead implements HoldRule {
    @Override
    public HoldPoint point() {
        return HoldPoint.OLD_MODULE_READ;
    }

    @Override
    public boolean needed(JobState state) {
        return state.job().kind().replaces() && state.intake().stillIn();
    }

    @Override
    public boolean kept(JobState state) {
        return state.benched().oldReading().isPresent();
    }
}
