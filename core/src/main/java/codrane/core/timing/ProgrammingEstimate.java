package codrane.core.timing;

import codrane.core.octets.Bytes;
import java.time.Duration;

/**
 * How long a programming takes by the pack's figures: erase, then per block the request's frames, flow control,
 * processing and answer, then verification. The figures are a prior; the module has times of its own.
 */
public record ProgrammingEstimate(Duration erase, Duration transfer, Duration verify, long blocks) {
    /**
     * The pack's figures for one module.
     *
     * @param bitrate bits a second
     * @param blockBytes octets of one transfer request, its two header octets included, 3..4095
     * @param erase for all of it
     * @param block processing of one block
     */
    public record Figures(
            int bitrate, int blockBytes, Duration separationTime, Duration erase, Duration block, Duration verify) {}

    public Duration total() {
        return erase.plus(transfer).plus(verify);
    }

    /** @param bytes octets of data, at least 1 */
    public static ProgrammingEstimate of(long bytes, Figures figures) {
        int payload = figures.blockBytes() - 2;
        long blocks = (bytes + payload - 1) / payload;
        Duration one = block(figures.blockBytes(), figures);
        return new ProgrammingEstimate(figures.erase(), one.multipliedBy(blocks), figures.verify(), blocks);
    }

    private static Duration block(int octets, Figures figures) {
        Duration frame = frameTime(figures.bitrate());
        long consecutive = Math.max(0, (octets - 6 + 6) / 7);
        Duration perConsecutive = frame.plus(figures.separationTime());
        return frame.multipliedBy(3) // first frame, flow control, answer
                .plus(perConsecutive.multipliedBy(consecutive))
                .plus(figures.block());
    }

    /** A full frame of ordinary content, 11-bit identifier. */
    private static Duration frameTime(int bitrate) {
        int bits = CanFrameBits.of(0x4CE, false, Bytes.of(0x21, 0x5A, 0x93, 0x0C, 0x77, 0xE1, 0x48, 0xB6));
        return Duration.ofNanos(bits * 1_000_000_000L / bitrate);
    }
}
