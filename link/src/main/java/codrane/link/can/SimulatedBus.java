package codrane.link.can;

import codrane.link.time.Scheduler;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import java.util.function.IntPredicate;

/**
 * A CAN bus, classic or CAN FD: one frame at a time, the lowest identifier wins, each takes exactly as long as its
 * bits. Nodes that lost arbitration try again when the bus is free. A frame that no other node is there to acknowledge
 * is taken as sent all the same; error frames and their counters are not simulated.
 */
public final class SimulatedBus {
    private static final int MOST_KNOWN = 4096;

    private final Scheduler time;
    private final Rates rates;
    private final List<Node> nodes = new ArrayList<>();
    private final List<FrameTap> taps = new ArrayList<>();
    /** Who wants an identifier's frames; asked anew when nodes change. */
    private final Map<Integer, List<Node>> hearers = new HashMap<>();

    private FrameFault fault = FrameFault.NONE;
    private boolean busy;
    private long busyNanos;
    private final long start;

    /**
     * @param bitrate of arbitration and classic frames, bits a second
     * @param dataBitrate of the data of CAN FD frames that switch
     */
    public record Rates(long bitrate, long dataBitrate) {
        public static Rates of(int bitrate) {
            return new Rates(bitrate, bitrate);
        }

        /** @param speed divides frame times, at least 1 */
        public Rates times(int speed) {
            return new Rates(bitrate * speed, dataBitrate * speed);
        }
    }

    public SimulatedBus(Scheduler time, Rates rates) {
        this.time = time;
        this.rates = rates;
        start = time.now();
    }

    private record Outgoing(CanFrame frame, Runnable sent) {}

    private final class Node implements CanPort {
        private final Deque<Outgoing> queue = new ArrayDeque<>();
        private Consumer<CanFrame> listener = frame -> {};
        private IntPredicate wanted = id -> false;
        private boolean off;

        @Override
        public void send(CanFrame frame, Runnable sent) {
            if (off) return;
            queue.add(new Outgoing(frame, sent));
            if (!busy) arbitrate();
        }

        @Override
        public void listen(IntPredicate newWanted, Consumer<CanFrame> newListener) {
            wanted = newWanted;
            listener = newListener;
            hearers.clear();
        }

        @Override
        public int window() {
            return 1;
        }

        private void hear(CanFrame frame) {
            if (!off) listener.accept(frame);
        }
    }

    public CanPort attach() {
        Node node = new Node();
        nodes.add(node);
        hearers.clear();
        return node;
    }

    public void detach(CanPort port) {
        nodes.removeIf(node -> node == port);
        hearers.clear();
    }

    /** Takes a node off the bus, as after too many errors: what it still had to send is forgotten. */
    public void off(CanPort port, boolean off) {
        for (Node node : nodes) {
            if (node != port) continue;
            node.off = off;
            node.queue.clear();
        }
    }

    public void tap(FrameTap tap) {
        taps.add(tap);
    }

    public void fault(FrameFault newFault) {
        fault = newFault;
    }

    /** Nanoseconds in which a frame was on the bus. */
    public long busyNanos() {
        return busyNanos;
    }

    /** Nanoseconds since the bus was made. */
    public long clock() {
        return time.now() - start;
    }

    private void arbitrate() {
        Node winner = null;
        long best = Long.MAX_VALUE;
        for (Node node : nodes) {
            Outgoing waiting = node.queue.peek();
            if (waiting == null || waiting.frame().priority() >= best) continue;
            winner = node;
            best = waiting.frame().priority();
        }
        if (winner == null) return;
        busy = true;
        Node sender = winner;
        Outgoing outgoing = winner.queue.poll();
        long nanos = outgoing.frame().nanos(rates.bitrate(), rates.dataBitrate());
        time.afterNanos(nanos, () -> finish(sender, outgoing, nanos));
    }

    private void finish(Node sender, Outgoing outgoing, long nanos) {
        busy = false;
        busyNanos += nanos;
        CanFrame frame = outgoing.frame();
        for (FrameTap tap : taps) tap.frame(frame, clock());
        switch (fault.judge(frame, clock())) {
            case FrameFault.Fate.Deliver deliver -> deliver(sender, frame);
            case FrameFault.Fate.Drop drop -> {}
            case FrameFault.Fate.Delay delay -> time.after(delay.by(), () -> deliver(sender, frame));
            case FrameFault.Fate.Duplicate duplicate -> {
                deliver(sender, frame);
                deliver(sender, frame);
            }
        }
        outgoing.sent().run();
        if (!busy) arbitrate();
    }

    private void deliver(Node sender, CanFrame frame) {
        if (hearers.size() > MOST_KNOWN) hearers.clear(); // a tester sends whatever it likes
        for (Node node : hearers.computeIfAbsent(frame.id(), this::wanting)) {
            if (node != sender) node.hear(frame);
        }
    }

    private List<Node> wanting(int id) {
        return nodes.stream().filter(node -> node.wanted.test(id)).toList();
    }
}
