package codrane.core.job.act;

import codrane.core.job.JobState;
import java.util.Optional;

/** The job names no module. */
public final class ReplacesNothing implements StopRule {
    @Override
    public Optional<Stop> judge(JobState state) {
        return Stop.unless(state.replaced().isPresent(), "This job replaces no module.");
    }
}
