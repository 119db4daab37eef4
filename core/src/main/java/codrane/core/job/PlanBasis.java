package codrane.core.job;

import java.util.Optional;

/** The scan that a new plan rests on. */
public final class PlanBasis {
    private PlanBasis() {}

    /** After a run, or when the job was closed meanwhile, one from since then; empty when there is none. */
    public static Optional<Scan> of(JobState state) {
        Optional<Scan> scan = state.run().isPresent() ? state.after() : state.before();
        return scan.filter(s -> !state.swappedSince(s))
                .filter(s -> state.job()
                        .reopenedAt()
                        .map(at -> s.takenAt().isAfter(at))
                        .orElse(true));
    }
}
