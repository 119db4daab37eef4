package codrane.core.run;

import codrane.core.octets.Bytes;
import codrane.core.octets.DecodeResult;
import codrane.core.octets.DecodeResult.Decoded;
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
    /** @param octets of the pack's data identifier for it; empty when they are not such a report */
    public static Optional<ImmobiliserReport> of(Bytes octets) {
        return DecodeResult.read(
                                octets,
                                in -> new ImmobiliserReport(
                                        in.u8("paired") == 1,
                                        in.u8("attempts left"),
                                        Duration.ofSeconds(in.u16("seconds to wait")),
                                        in.u8("keys")))
                        instanceof Decoded<ImmobiliserReport>(ImmobiliserReport report)
                ? Optional.of(report)
                : Optional.empty();
    }
}
