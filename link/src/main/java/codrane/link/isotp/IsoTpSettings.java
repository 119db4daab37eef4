package codrane.link.isotp;

import java.time.Duration;

/**
 * What an endpoint asks for and how long it waits.
 *
 * @param blockSize asked of the other side, 0..255
 * @param separationTime asked of the other side
 * @param longest message it receives, octets; a longer one is answered with overflow
 * @param mostWaits wait frames in a row that it accepts
 * @param flowTimeout N_Bs: until a flow control comes
 * @param consecutiveTimeout N_Cr: until a consecutive frame comes
 */
public record IsoTpSettings(
        int blockSize,
        Duration separationTime,
        int longest,
        int mostWaits,
        Duration flowTimeout,
        Duration consecutiveTimeout) {
    public static final IsoTpSettings STANDARD =
            new IsoTpSettings(0, Duration.ZERO, 4095, 8, Duration.ofSeconds(1), Duration.ofSeconds(1));

    /** As a module whose pack asks for these. */
    public IsoTpSettings asking(int newBlockSize, Duration newSeparationTime) {
        return new IsoTpSettings(newBlockSize, newSeparationTime, longest, mostWaits, flowTimeout, consecutiveTimeout);
    }
}
