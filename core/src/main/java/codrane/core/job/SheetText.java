package codrane.core.job;

import java.time.Instant;
import java.time.LocalDate;
import java.util.Optional;

/**
 * A line sheet at hand for a job.
 *
 * @param day that stands on it; empty when nobody said
 */
public record SheetText(
        String module, String source, String content, Optional<LocalDate> day, Instant at, String who) {}
