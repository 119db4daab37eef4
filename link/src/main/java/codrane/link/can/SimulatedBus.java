package codrane.link.can;

import codrane.link.time.Scheduler;
import java.time.Duration;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.Deque;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;

/** A CAN bus: one frame at a time, the lowest identifier wins, each takes exactly as long as its bits. */
public final class SimulatedBus {
    private final Scheduler time;
    private final long bitRate;
    private final List<Node> nodes = new ArrayList<>();
    private final List<FrameTap> taps = new ArrayList<>();
    private FrameFault fault = FrameFault.NONE;
    private boolean busy;
    private long busyNanos;
    private final long start;

    /**
     * @param bitRate bits a second
     * @param speed divides frame times, at least 1
     */
    public SimulatedBus(Scheduler time, int bitRate, int speed) {
        this.time = time;
        this.bitRate = (long) bitRate * speed;
        start = time.now();
    }

    private record Outgoing(CanFrame frame, Runnable sent) {}

    private final class Node implements CanPort {
        private final Deque<Outgoing> queue = new ArrayDeque<>();
        private Consumer<CanFrame> listener = frame -> {};

        @Override
        public void send(CanFrame frame, Runnable sent) {
            queue.add(new Outgoing(frame, sent));
            if (!busy) arbitrate();
        }

        @Override
        public void listen(Consumer<CanFrame> newListener) {
            listener = newListener;
        }

        @Override
        public int window() {
            return 1;
        }
    }

    public CanPort attach() {
        Node node = new Node();
        nodes.add(node);
        return node;
    }

    public void detach(CanPort port) {
        nodes.removeIf(node -> node == port);
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
        Optional<Node> winner = nodes.stream()
                .filter(n -> !n.queue.isEmpty())
                .min(Comparator.comparingLong(n -> n.queue.peek().frame().priority()));
        if (winner.isEmpty()) return;
        busy = true;
        Outgoing outgoing = winner.get().queue.poll();
        long nanos = outgoing.frame().bits() * 1_000_000_000L / bitRate;
        time.after(Duration.ofNanos(nanos), () -> finish(winner.get(), outgoing, nanos));
    }

    private void finish(Node sender, Outgoing outgoing, long nanos) {
        busy = false;
        busyNanos += nanos;
        CanFrame frame = outgoing.frame();
        taps.forEach(tap -> tap.frame(frame, clock()));
        switch (fault.judge(frame, clock())) {
            case FrameFault.Fate.Deliver() -> deliver(sender, frame);
            case FrameFault.Fate.Drop() -> {}
            case FrameFault.Fate.Delay(Duration by) -> time.after(by, () -> deliver(sender, frame));
        }
        outgoing.sent().run();
        if (!busy) arbitrate();
    }

    private void deliver(Node sender, CanFrame frame) {
        for (Node node : List.copyOf(nodes)) {
            if (node != sender) node.listener.accept(frame);
        }
    }
}
