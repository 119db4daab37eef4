package codrane.core.job.hold;

import codrane.core.job.HoldNote;
import codrane.core.job.JobState;
import codrane.core.plan.HoldPoint;
import java.util.Optional;

/** One hold point: what it asks of a job. */
public interface HoldRule {
    HoldPoint point();

    /** Whether this job needs it: as a rule, if it comes to the stage. */
    default boolean needed(JobState state) {
        return state.comesTo(point().stage());
    }

    /** Whether what was read keeps it. What a person keeps is not kept by anything that was read. */
    default boolean kept(JobState state) {
        return false;
    }

    /** Whether what a person kept or waived is still about the same. */
    default boolean holds(JobState state, HoldNote note) {
        return true;
    }

    /** Why a person can't keep it now; empty when one can. */
    default Optional<String> missing(JobState state) {
        return Optional.empty();
    }

    /** Why a person can't waive it now; empty when one can. */
    default Optional<String> missingToWaive(JobState state) {
        return Optional.empty();
    }

    /** What keeping it is about, where that may change. */
    default Optional<String> about(JobState state) {
        return Optional.empty();
    }
}
