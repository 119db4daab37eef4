package codrane.core.job.stage;

import codrane.core.job.JobState;
import codrane.core.job.act.NextAct;
import codrane.core.plan.Stage;
import java.util.Optional;

/** What one stage makes of a job. */
interface StageRules {
    Stage stage();

    /**
     * What to do next, while the job stands here.
     *
     * @param who asks; some acts are another's
     */
    NextAct next(JobState state, String who);

    /** What was found or decided here, in a sentence; empty when nothing was. */
    Optional<String> found(JobState state);
}
