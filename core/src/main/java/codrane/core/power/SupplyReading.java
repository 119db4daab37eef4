package codrane.core.power;

import java.time.Instant;

/**
 * One sample of the supply voltage.
 *
 * @param volts at the diagnostic socket or the module, 0..40
 */
public record SupplyReading(Instant at, double volts) {}
