package codrane.core.job;

import java.time.Instant;

/**
 * Another vehicle that answered when a job's was to be read.
 *
 * @param vin that it told; empty when only its serial numbers gave it away
 * @param sentence which it is, and where to plug in
 */
public record Stranger(String vin, String sentence, Instant at, String who) {}
