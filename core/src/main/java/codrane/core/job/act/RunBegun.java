package codrane.core.job.act;

import codrane.core.job.JobState;
import java.util.Optional;

/** A run has begun, wherever it stands now: what it writes is what was confirmed before it. */
public record RunBegun() implements StopRule {
    @Override
    public Optional<Stop> judge(JobState state) {
        return Stop.unless(
                state.run().isEmpty(),
                "The run has begun: what it writes stays as it was confirmed. Plan again when it is to be otherwise.");
    }
}
