package codrane.standin;

import codrane.link.can.CanFrame;
import codrane.link.can.FrameTap;

/**
 * How much of what the bus and the module allow is used in a transfer: only a gap before one of the tester's own frames, beyond the
 * separation time that the module asks for, is time that the tester wasted.
 */
final class BusUse implements FrameTap {
    private final int requestId;
    private final Rates rates;
    private long first = -1;
    private long last;
    private long wasted;
    private boolean on;
    private boolean afterConsecutive;

    /** @param separationNanos asked for by the module */
    record Rates(long bitrate, long dataBitrate, long separationNanos) {}

    BusUse(int requestId, Rates rates) {
        this.requestId = requestId;
        this.rates = rates;
    }

    /** Counts from here until {@link #stop}. */
    void start() {
        on = true;
    }

    void stop() {
        on = false;
    }

    @Override
    public void frame(CanFrame frame, long nanos) {
        if (!on) return;
        long begin = nanos - frame.nanos(rates.bitrate(), rates.dataBitrate());
        boolean ours = frame.id() == requestId;
        if (first < 0) {
            first = begin;
        } else if (ours) {
            long allowed = afterConsecutive ? rates.separationNanos() : 0;
            wasted += Math.max(0, begin - last - allowed);
        }
        afterConsecutive = ours && frame.data().u8(0) >> 4 == 2;
        last = nanos;
    }

    /** From nothing, 0, to all, 1. */
    double share() {
        return last <= first ? 1 : 1 - wasted / (double) (last - first);
    }
}
