package codrane.core.job.release;

import codrane.core.job.JobState;
import codrane.core.job.RunTasks;
import codrane.core.job.act.Stop;
import codrane.core.job.act.StopRule;
import java.util.Optional;

/** There is nothing to write. */
final class NothingLeft implements StopRule {
    @Override
    public Optional<Stop> judge(JobState state) {
        return Stop.unless(!RunTasks.left(state).isEmpty(), "Not started. This plan writes nothing.");
    }
}
