package codrane.core.job.hold;

import codrane.core.job.JobState;
import codrane.core.plan.HoldPoint;

/** Some module told its faults before anything could clear them. */
final class FaultsRecorded implements HoldRule {
    @Override
    public HoldPoint point() {
        return HoldPoint.FAULTS_RECORDED;
    }

    @Override
    public boolean kept(JobState state) {
        return state.before().stream()
                .flatMap(scan -> scan.readings().values().stream())
                .anyMatch(r -> r.answers() && r.faultsRead());
    }
}
