package codrane.core.job.release;

import codrane.core.job.JobRun;
import codrane.core.job.JobState;
import codrane.core.job.act.Stop;
import codrane.core.job.act.StopRule;
import java.util.Optional;

/** Only what was interrupted is recovered. */
final class NotInterrupted implements StopRule {
    @Override
    public Optional<Stop> judge(JobState state) {
        boolean interrupted = state.run().map(JobRun::interrupted).orElse(false);
        return Stop.unless(interrupted, "There is no interrupted run.");
    }
}
