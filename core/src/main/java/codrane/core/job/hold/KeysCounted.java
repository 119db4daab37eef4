package codrane.core.job.hold;

import codrane.core.job.JobState;
import codrane.core.plan.HoldPoint;
import codrane.core.ready.Need;

/** All keys are here, or the missing ones are given up. */
final class KeysCounted implements HoldRule {
    @Override
    public HoldPoint point() {
        return HoldPoint.KEYS_COUNTED;
    }

    @Override
    public boolean needed(JobState state) {
        return state.planHolds(HoldPoint.KEYS_COUNTED);
    }

    @Override
    public boolean kept(JobState state) {
        return state.readiness().stream()
                .flatMap(r -> r.needs().stream())
                .filter(n -> n.kind() == Need.Kind.KEYS)
                .allMatch(Need::here);
    }
}
