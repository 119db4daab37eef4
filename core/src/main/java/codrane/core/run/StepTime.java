package codrane.core.run;

import java.time.Instant;
import java.util.Optional;

/**
 * When a step of a run was sent, and when its answer was there.
 *
 * @param task index of the run's task, from 0; -1 when that is not known
 * @param purpose in the journal's words
 * @param closed empty while no answer came
 */
public record StepTime(long run, int task, String purpose, Instant at, Optional<Instant> closed) {
    /** When it was last heard of. */
    public Instant last() {
        return closed.orElse(at);
    }
}
