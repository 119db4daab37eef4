package codrane.core.job.hold;

import codrane.core.job.JobState;
import codrane.core.plan.HoldPoint;
import java.util.Optional;

/** The function itself was tried, after a fresh scan. */
final class FunctionTested implements HoldRule {
    @Override
    public HoldPoint point() {
        return HoldPoint.FUNCTION_TESTED;
    }

    @Override
    public Optional<String> missing(JobState state) {
        return state.after().isEmpty() ? Optional.of("Scan again first.") : Optional.empty();
    }
}
