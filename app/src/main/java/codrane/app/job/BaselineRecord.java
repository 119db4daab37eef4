package codrane.app.job;

import java.time.Instant;

/** A stored baseline. */
public record BaselineRecord(long id, Instant takenAt, String takenBy, String sha256, String content) {}
