package codrane.core.job.act;

import codrane.core.job.JobState;
import codrane.core.job.hold.HoldRules;
import codrane.core.plan.HoldPoint;
import codrane.core.ready.Readiness;
import java.util.List;

/** What must be settled before anything that costs is got. */
public final class SpendingTooEarly {
    private SpendingTooEarly() {}

    /** Open hold points, in words; none when it may be spent. */
    public static List<String> open(JobState state) {
        return Readiness.beforeSpending().stream()
                .filter(p -> !HoldRules.progress(state).passed(p))
                .map(HoldPoint::title)
                .toList();
    }
}
