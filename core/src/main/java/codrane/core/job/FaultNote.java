package codrane.core.job;

import java.time.Instant;

/** A physical reason for a fault, as somebody noted it: looked at again at the end. */
public record FaultNote(String module, String code, String note, Instant at, String who) {}
