package codrane.core.job.hold;

import codrane.core.job.JobState;
import codrane.core.plan.HoldPoint;

/** The supply holds for as long as a start needs. */
final class PowerReady implements HoldRule {
    @Override
    public HoldPoint point() {
        return HoldPoint.POWER_READY;
    }

    @Override
    public boolean kept(JobState state) {
        return state.runFinished() || state.runHolds() || state.power().passes();
    }
}
