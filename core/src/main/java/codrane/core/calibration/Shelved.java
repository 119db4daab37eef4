package codrane.core.calibration;

import java.time.Instant;

/** A calibration on the workshop's shelf. */
public record Shelved(long id, Manifest manifest, Instant fetchedAt) {}
