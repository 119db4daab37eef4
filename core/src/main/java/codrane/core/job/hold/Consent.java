package codrane.core.job.hold;

import codrane.core.plan.HoldPoint;

/** The customer agrees. */
final class Consent implements HoldRule {
    @Override
    public HoldPoint point() {
        return HoldPoint.CONSENT;
    }
}
