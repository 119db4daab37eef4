package codrane.core.job.release;

import codrane.core.job.JobRun;
import codrane.core.job.JobState;
import codrane.core.job.act.Stop;
import codrane.core.job.act.StopRule;
import java.util.Optional;

/** Only what runs is stopped. */
final class NotRunning implements StopRule {
    @Override
    public Optional<Stop> judge(JobState state) {
        boolean running = state.run().map(JobRun::running).orElse(false);
        return Stop.unless(running, "No run is under way.");
    }
}
