package codrane.core.job.release;

import codrane.core.job.JobState;
import codrane.core.job.JudgedSheet;
import codrane.core.job.act.Stop;
import codrane.core.job.act.StopRule;
import codrane.core.plan.HoldPoint;
import java.util.Optional;

/** The coding comes from a line sheet, and that is not good. */
final class SheetNotGood implements StopRule {
    @Override
    public Optional<Stop> judge(JobState state) {
        boolean good = state.sheet().map(JudgedSheet::good).orElse(false);
        return Stop.unless(good || !state.planHolds(HoldPoint.SHEET_CHECKED), "The line sheet is not good.");
    }
}
