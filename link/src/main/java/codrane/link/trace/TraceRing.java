package codrane.link.trace;

import codrane.core.octets.Bytes;
import codrane.link.can.CanFrame;
import codrane.link.can.FrameTap;
import codrane.link.doip.DoipTap;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.function.Supplier;

/**
 * Keeps the last of what was on the wire: the oldest events go when there are too many, or too many octets in them. Any
 * thread may use it.
 */
public final class TraceRing implements FrameTap, DoipTap {
    /** Frames of more than half a megabyte programmed over classic CAN. */
    public static final int STANDARD = 100_000;

    private static final long STANDARD_OCTETS = 16L << 20;

    private final int capacity;
    private final long mostOctets;
    private final Deque<TraceEvent> events = new ArrayDeque<>();
    private long octets;
    private long dropped;
    private boolean withholds;

    /** @param capacity events kept, at least 1 */
    public TraceRing(int capacity) {
        this(capacity, STANDARD_OCTETS);
    }

    /** @param mostOctets of data in all events kept; one event is kept however long it is */
    public TraceRing(int capacity, long mostOctets) {
        this.capacity = capacity;
        this.mostOctets = mostOctets;
    }

    @Override
    public void frame(CanFrame frame, long nanos) {
        add(new TraceEvent.Frame(frame, nanos));
    }

    @Override
    public void message(boolean fromTester, Bytes message, long nanos) {
        add(new TraceEvent.Doip(fromTester, message, nanos));
    }

    /** What goes over the wire meanwhile is not kept: it carries a code. Frames of others are lost to the trace with it. */
    public <T> T withholding(Supplier<T> exchange) {
        withhold(true);
        try {
            return exchange.get();
        } finally {
            withhold(false);
        }
    }

    private synchronized void withhold(boolean now) {
        withholds = now;
    }

    private synchronized void add(TraceEvent event) {
        if (withholds) return;
        events.add(event);
        octets += event.octets();
        while (events.size() > capacity || octets > mostOctets && events.size() > 1) {
            octets -= events.poll().octets();
            dropped++;
        }
    }

    /** Events that were there and are gone. */
    public synchronized long dropped() {
        return dropped;
    }

    /** Oldest first. */
    public synchronized List<TraceEvent> events() {
        return new ArrayList<>(events);
    }

    public synchronized void clear() {
        events.clear();
        octets = 0;
        dropped = 0;
    }
}
