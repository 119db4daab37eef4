package codrane.core.job;

import java.time.Instant;

/** A line sheet at hand for a job. */
public record SheetText(String module, String source, String content, Instant at, String who) {}
