package codrane.core.job.release;

import codrane.core.job.JobState;
import codrane.core.job.act.Stop;
import codrane.core.job.act.StopRule;
import java.util.Optional;

/** A run holds the vehicle already. */
final class RunUnderWay implements StopRule {
    @Override
    public Optional<Stop> judge(JobState state) {
        return Stop.unless(!state.runHolds(), "The run is already under way or waits to be recovered.");
    }
}
