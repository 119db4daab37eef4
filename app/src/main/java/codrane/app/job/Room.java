package codrane.app.job;

import codrane.core.job.Job;
import codrane.core.job.JobState;
import codrane.core.job.Part;
import codrane.core.plan.Stage;
import java.util.List;
import java.util.Map;

/** The room of one stage, as the frame knows it: what it knows of jobs, and what stands on its page. */
public interface Room {
    Stage stage();

    /**
     * What the stage knows of jobs, by id: asked for one or for all at once, with the same number of queries.
     *
     * @return parts of the state; a job without one is as if nothing were known
     */
    default Map<Long, ? extends Part> gather(Gathering asked) {
        return Map.of();
    }

    /**
     * What moves without an act of a person, by job, as something that differs when it moved. One query at most.
     */
    default Map<Long, ?> moved(List<Job> jobs) {
        return Map.of();
    }

    /** What stands on the stage's page below the next act. */
    Object view(JobState state, Viewer viewer);
}
