package codrane.core.run;

import codrane.core.octets.Bytes;
import java.time.Duration;
import java.util.Optional;

/**
 * What a module says of the immobiliser.
 *
 * @param paired whether it shares the secret of this vehicle
 * @param attemptsLeft codes that may still be wrong, 0..255
 * @param waits until a code is taken again; zero when one is taken now
 * @param keys learned, 0..255
 */
public record ImmobiliserReport(boolean paired, int attemptsLeft, Duration waits, int keys) {
    private static final int OCTETS = 5;

    /** @param octets of the pack's data identifier for it; empty when they are not such a report */
    public static Optional<ImmobiliserReport> of(Bytes octets) {
        if (octets.length() != OCTETS) return Optional.empty();
        return Optional.of(new ImmobiliserReport(
                octets.u8(0) == 1, octets.u8(1), Duration.ofSeconds(octets.u16(2)), octets.u8(4)));
    }
}
