package codrane.core.job.hold;

import codrane.core.job.FileFit;
import codrane.core.job.JobState;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.Operation;

/** The calibration is whole and for this hardware. */
final class FileChecked implements HoldRule {
    @Override
    public HoldPoint point() {
        return HoldPoint.FILE_CHECKED;
    }

    @Override
    public boolean needed(JobState state) {
        boolean programs = state.plan().isEmpty() || state.planHas(Operation.Kind.PROGRAM);
        return state.comesTo(point().stage()) && programs;
    }

    @Override
    public boolean kept(JobState state) {
        return state.calibration()
                .map(c -> FileFit.of(state, c.manifest()).usable())
                .orElse(false);
    }
}
