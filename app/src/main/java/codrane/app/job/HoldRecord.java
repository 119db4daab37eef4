package codrane.app.job;

import codrane.core.plan.HoldPoint;
import java.time.Instant;

/** A hold point that a person kept or waived. */
public record HoldRecord(HoldPoint point, boolean waived, String who, Instant at, String why) {}
