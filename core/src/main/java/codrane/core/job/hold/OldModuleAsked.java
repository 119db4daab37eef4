package codrane.core.job.hold;

import codrane.core.job.JobState;
import codrane.core.plan.HoldPoint;

/** Somebody said where the module is that was replaced. */
final class OldModuleAsked implements HoldRule {
    @Override
    public HoldPoint point() {
        return HoldPoint.OLD_MODULE_ASKED;
    }

    @Override
    public boolean needed(JobState state) {
        return state.job().kind().replaces();
    }

    @Override
    public boolean kept(JobState state) {
        return state.intake().oldModule().isPresent();
    }
}
