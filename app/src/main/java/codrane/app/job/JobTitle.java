package codrane.app.job;

import codrane.core.job.JobState;

/** What a job is about, in a few words. */
public final class JobTitle {
    private JobTitle() {}

    /** The replaced module with where the new one comes from, or the kind of work. */
    public static String subject(JobState state) {
        return state.replaced()
                .map(m -> m.title()
                        + state.job().origin().map(o -> ", " + o.words()).orElse(""))
                .orElse(state.job().kind().title());
    }
}
