package codrane.app.notes;

import java.time.Instant;

/**
 * Something that was noted on a job, as it is stored.
 *
 * @param subject what of its kind; empty when there is one of the kind only
 * @param version of the content's form
 * @param content as JSON
 */
public record Note(String kind, String subject, int version, String content, Instant at, String who) {
    /** A note whose content is understood. */
    public record Read<T>(T content, String subject, Instant at, String who) {}
}
