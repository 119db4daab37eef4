package codrane.core.job.act;

import codrane.core.job.JobState;
import java.util.Optional;

/**
 * A run is under way, or waits to be recovered.
 *
 * @param so what that means for the act, in words that follow a colon
 */
public record RunHolds(String so) implements StopRule {
    @Override
    public Optional<Stop> judge(JobState state) {
        return Stop.unless(!state.runHolds(), "A run is under way or waits to be recovered: " + so + ".");
    }
}
