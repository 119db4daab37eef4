package codrane.core.job.hold;

import codrane.core.job.BenchCheck;
import codrane.core.job.JobState;
import codrane.core.plan.HoldPoint;

/** The supply was high enough to work on the vehicle. */
final class SupplyHeld implements HoldRule {
    private static final double LEAST_VOLTS = 12.5;

    @Override
    public HoldPoint point() {
        return HoldPoint.SUPPLY_HELD;
    }

    @Override
    public boolean kept(JobState state) {
        return state.linkCheck()
                .flatMap(BenchCheck::volts)
                .map(v -> v >= LEAST_VOLTS)
                .orElse(false);
    }
}
