package codrane.core.job.release;

import codrane.core.job.JobState;
import codrane.core.job.RunTasks;
import codrane.core.job.act.Stop;
import codrane.core.job.act.StopRule;
import java.util.List;
import java.util.Optional;

/** What is not carried out whole is not begun. */
final class CantCarryOut implements StopRule {
    @Override
    public Optional<Stop> judge(JobState state) {
        List<String> unable = RunTasks.unable(state);
        return Stop.unless(
                unable.isEmpty(),
                "Codrane can't carry out yet: " + String.join("; ", unable)
                        + ". What is not carried out whole is not begun.");
    }
}
