package codrane.core.job;

import java.util.Optional;

/** The scan that a new plan rests on. */
public final class PlanBasis {
    private PlanBasis() {}

    /** The scan with which a wish is compared: after the plan's run one from since then; empty when there is none. */
    public static Optional<Scan> newest(JobState state) {
        return state.run().isPresent() ? state.after() : state.before();
    }

    /** After a run, or when the job was closed meanwhile, one from since then; empty when there is none. */
    public static Optional<Scan> of(JobState state) {
        return newest(state)
                .filter(s -> !state.swappedSince(s))
                .filter(s -> state.job()
                        .reopenedAt()
                        .map(at -> s.takenAt().isAfter(at))
                        .orElse(true));
    }
}
