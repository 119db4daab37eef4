package codrane.link.time;

import java.time.Duration;
import java.util.PriorityQueue;
import java.util.concurrent.CompletableFuture;

/** Time that jumps from one task to the next; as fast as the machine computes. For one thread. */
public final class VirtualTime implements Scheduler {
    private final PriorityQueue<TimedTask> tasks = new PriorityQueue<>();
    private long now;
    private long sequence;

    @Override
    public long now() {
        return now;
    }

    @Override
    public Timer afterNanos(long delay, Runnable task) {
        TimedTask timed = new TimedTask(now + delay, sequence++, task);
        tasks.add(timed);
        return timed;
    }

    @Override
    public void execute(Runnable task) {
        afterNanos(0, task);
    }

    @Override
    public <T> T await(CompletableFuture<T> result) {
        while (!result.isDone()) {
            if (!step()) throw new IllegalStateException("nothing is left that could bring the result");
        }
        return result.join();
    }

    /** Runs everything due within the span, then stands at its end. */
    public void advance(Duration span) {
        long end = now + span.toNanos();
        while (!tasks.isEmpty() && tasks.peek().at() <= end) step();
        now = end;
    }

    private boolean step() {
        TimedTask next = tasks.poll();
        if (next == null) return false;
        now = next.at();
        next.run();
        return true;
    }
}
