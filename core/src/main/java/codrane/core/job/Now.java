package codrane.core.job;

import codrane.core.text.Words;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;

/**
 * When a job was looked at, and where.
 *
 * @param zone of the workshop
 */
public record Now(Instant at, ZoneId zone) {
    public LocalDate today() {
        return LocalDate.ofInstant(at, zone);
    }

    /** A day with its hour, as people read it. */
    public String dayAndTime(Instant instant) {
        return Words.dayAndTime(instant, zone);
    }

    /** A day of the week with its hour, for what lies close. */
    public String soon(Instant instant) {
        return Words.soon(instant, zone);
    }
}
