package codrane.core.timing;

import java.time.Duration;

/**
 * How long a programming takes by the pack's figures: erase, then per block the request's frames, flow control,
 * processing and answer, then verification. The figures are a prior; the module has times of its own.
 */
public record ProgrammingEstimate(Duration erase, Duration transfer, Duration verify, long blocks) {
    /**
     * The pack's figures for one module.
     *
     * @param blockBytes octets of one transfer request, its two header octets included, 3..4095
     * @param blockSize frames until the module sends a flow control anew; 0: only once
     * @param erase for all of it
     * @param block processing of one block
     */
    public record Figures(
            Wire wire,
            int blockBytes,
            int blockSize,
            Duration separationTime,
            Duration erase,
            Duration block,
            Duration verify) {}

    public Duration total() {
        return erase.plus(transfer).plus(verify);
    }

    /** @param bytes octets of data, at least 1 */
    public static ProgrammingEstimate of(long bytes, Figures figures) {
        int payload = figures.blockBytes() - 2;
        long whole = bytes / payload;
        int rest = (int) (bytes % payload);
        Duration transfer = block(figures.blockBytes(), figures).multipliedBy(whole);
        if (rest > 0) transfer = transfer.plus(block(rest + 2, figures));
        return new ProgrammingEstimate(figures.erase(), transfer, figures.verify(), whole + (rest > 0 ? 1 : 0));
    }

    /** Request, processing and answer; the last frame of a block is not followed by a separation. */
    private static Duration block(int octets, Figures figures) {
        Wire wire = figures.wire();
        Duration frame = wire.frame();
        int first = wire.octetsPerFrame() - 1;
        long consecutive =
                octets <= first + 1 ? 0 : (octets - first + wire.octetsPerFrame() - 1L) / wire.octetsPerFrame();
        long flows = consecutive == 0 ? 0 : figures.blockSize() == 0 ? 1 : (consecutive - 1) / figures.blockSize() + 1;
        long rests = Math.max(0, consecutive - flows);
        return frame.multipliedBy(2 + consecutive + flows)
                .plus(figures.separationTime().multipliedBy(rests))
                .plus(figures.block());
    }
}
