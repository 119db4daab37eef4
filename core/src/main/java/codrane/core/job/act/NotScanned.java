package codrane.core.job.act;

import codrane.core.job.JobState;
import java.util.Optional;

/**
 * The vehicle was not scanned.
 *
 * @param why the act needs it
 */
public record NotScanned(String why) implements StopRule {
    @Override
    public Optional<Stop> judge(JobState state) {
        return Stop.unless(state.before().isPresent(), "Scan first: " + why + ".");
    }
}
