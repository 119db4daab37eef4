package codrane.core.job;

import java.time.Instant;
import java.util.Optional;

/**
 * One answered request and the voltage at that moment.
 *
 * @param volts empty when the meter did not answer
 */
public record BenchCheck(String interfaceName, String module, Optional<Double> volts, Instant at, String who) {}
