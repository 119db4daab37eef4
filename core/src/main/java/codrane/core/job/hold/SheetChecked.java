package codrane.core.job.hold;

import codrane.core.job.JobState;
import codrane.core.job.JudgedSheet;
import codrane.core.plan.HoldPoint;

/** The line sheet is whole and for this vehicle. */
final class SheetChecked implements HoldRule {
    @Override
    public HoldPoint point() {
        return HoldPoint.SHEET_CHECKED;
    }

    @Override
    public boolean needed(JobState state) {
        boolean asked = state.plan().isEmpty() || state.planHolds(HoldPoint.SHEET_CHECKED);
        return state.comesTo(point().stage()) && asked;
    }

    @Override
    public boolean kept(JobState state) {
        return state.sheet().map(JudgedSheet::good).orElse(false);
    }
}
