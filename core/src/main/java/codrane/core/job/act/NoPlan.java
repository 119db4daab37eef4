package codrane.core.job.act;

import codrane.core.job.JobState;
import java.util.Optional;

/** There is no plan that says what is needed. */
public final class NoPlan implements StopRule {
    @Override
    public Optional<Stop> judge(JobState state) {
        return Stop.unless(state.plan().isPresent(), "Decide first: the plan says what is needed.");
    }
}
