package codrane.core.job.act;

import codrane.core.job.JobState;
import java.util.Optional;

/** One thing that may stop an act. */
@FunctionalInterface
public interface StopRule {
    Optional<Stop> judge(JobState state);
}
