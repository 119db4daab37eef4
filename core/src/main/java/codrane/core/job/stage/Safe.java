package codrane.core.job.stage;

import codrane.core.job.JobState;

/** Whether it is safe to stop here, in a sentence. */
public final class Safe {
    static final String NO_RUN = "Safe to stop here: no run is under way.";

    private Safe() {}

    public static String toStop(JobState state) {
        if (!state.written()) return "Safe to stop here: nothing was written.";
        return state.runHolds() ? "The run holds the vehicle: look at Run." : NO_RUN;
    }
}
