package codrane.core.access;

import java.time.Instant;
import java.util.Optional;

/**
 * What an authority granted for a vehicle.
 *
 * @param tool serial number
 * @param until exclusive
 * @param provenAt when the gateway was seen to let something through; empty: it never was
 * @param endedAt when it was seen to be locked again, before {@code until}
 */
public record Authorisation(
        long id,
        String authority,
        String tool,
        String technician,
        Instant grantedAt,
        Instant until,
        Optional<Instant> provenAt,
        Optional<Instant> endedAt,
        String whyEnded) {
    /** Whether the gateway was seen open and not seen locked since; it may have expired all the same. */
    public boolean believed() {
        return provenAt.isPresent() && endedAt.isEmpty();
    }
}
