package codrane.core.job.hold;

import codrane.core.plan.HoldPoint;

/** A person released each write: by starting the run, and in no other way. */
final class WritesReleased implements HoldRule {
    @Override
    public HoldPoint point() {
        return HoldPoint.WRITES_RELEASED;
    }
}
