package codrane.app.job;

import java.time.Instant;

/** A line sheet at hand for a job. */
public record SheetRecord(String module, String source, String content, Instant at, String who) {}
