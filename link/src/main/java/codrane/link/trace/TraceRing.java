package codrane.link.trace;

import codrane.core.octets.Bytes;
import codrane.link.can.CanFrame;
import codrane.link.can.FrameTap;
import codrane.link.doip.DoipTap;
import java.util.ArrayList;
import java.util.List;

/** Keeps the last of what was on the wire: the oldest events go when the ring is full. Any thread may use it. */
public final class TraceRing implements FrameTap, DoipTap {
    /** Frames of more than half a megabyte programmed over classic CAN. */
    public static final int STANDARD = 100_000;

    private final TraceEvent[] ring;
    private long count;

    /** @param capacity events kept, at least 1 */
    public TraceRing(int capacity) {
        ring = new TraceEvent[capacity];
    }

    @Override
    public void frame(CanFrame frame, long nanos) {
        add(new TraceEvent.Frame(frame, nanos));
    }

    @Override
    public void message(boolean fromTester, Bytes message, long nanos) {
        add(new TraceEvent.Doip(fromTester, message, nanos));
    }

    private synchronized void add(TraceEvent event) {
        ring[(int) (count++ % ring.length)] = event;
    }

    /** Events that were there and are gone. */
    public synchronized long dropped() {
        return Math.max(0, count - ring.length);
    }

    /** Oldest first, times from the first event kept. */
    public synchronized List<TraceEvent> events() {
        List<TraceEvent> events = new ArrayList<>();
        for (long i = dropped(); i < count; i++) events.add(ring[(int) (i % ring.length)]);
        return events;
    }

    public synchronized void clear() {
        count = 0;
    }
}
