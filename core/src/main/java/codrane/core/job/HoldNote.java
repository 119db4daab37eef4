package codrane.core.job;

import codrane.core.plan.HoldPoint;
import java.time.Instant;
import java.util.Optional;

/**
 * A hold point that a person kept or waived.
 *
 * @param about what it is about, where that may change: it holds for nothing else; empty when it is about the job
 */
public record HoldNote(HoldPoint point, boolean waived, String who, Instant at, String why, Optional<String> about) {
    public static HoldNote of(HoldPoint point, boolean waived, String who, Instant at, String why) {
        return new HoldNote(point, waived, who, at, why, Optional.empty());
    }
}
