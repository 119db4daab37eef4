package codrane.core.job.act;

import codrane.core.job.JobState;
import java.util.Optional;

/** The vehicle has no gateway that could be opened. */
public final class NoGateway implements StopRule {
    @Override
    public Optional<Stop> judge(JobState state) {
        return Stop.unless(state.access().there(), "This vehicle has no secure gateway.");
    }
}
