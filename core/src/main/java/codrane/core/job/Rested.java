package codrane.core.job;

import java.time.Instant;
import java.util.Optional;

/**
 * What Settle knows.
 *
 * @param sleep how it was when the vehicle was last watched; empty when nobody had it watched
 */
public record Rested(Optional<Look> sleep) implements Part {
    public static final Rested NONE = new Rested(Optional.empty());

    /**
     * One look whether the modules sleep, after the wire was silent for as long as they take.
     *
     * @param asleep whether nothing answered
     * @param sentence what was seen
     */
    public record Look(Instant at, boolean asleep, String sentence) {}

    /** A look from before the run had ended says nothing of what it wrote. */
    Optional<Look> after(JobRun run) {
        return sleep.filter(
                look -> run.span().endedAt().map(end -> look.at().isAfter(end)).orElse(false));
    }
}
