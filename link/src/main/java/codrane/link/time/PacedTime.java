package codrane.link.time;

import java.time.Duration;
import java.util.PriorityQueue;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.locks.Condition;
import java.util.concurrent.locks.ReentrantLock;
import org.jspecify.annotations.Nullable;

/**
 * Real time, on a thread of its own. A task that runs a little late still sees the time it was set for, so that what
 * it sets next does not drift: a bus of 230 microsecond frames keeps its rate although threads wake up later.
 */
public final class PacedTime implements Scheduler, AutoCloseable {
    /** A task later than this sees the real time: after a long stall nothing is made up for. */
    private static final long MOST_LAG = Duration.ofMillis(100).toNanos();

    private final ReentrantLock lock = new ReentrantLock();
    private final Condition changed = lock.newCondition();
    private final PriorityQueue<TimedTask> tasks = new PriorityQueue<>();
    private final Thread thread;
    private long sequence;
    private long logical = System.nanoTime();
    private boolean closed;

    public PacedTime(String name) {
        thread = Thread.ofPlatform().daemon().name(name).start(this::loop);
    }

    @Override
    public long now() {
        return Thread.currentThread().equals(thread) ? logical : System.nanoTime();
    }

    @Override
    public Timer afterNanos(long delay, Runnable task) {
        return add(now() + delay, task);
    }

    @Override
    public void execute(Runnable task) {
        add(System.nanoTime(), task);
    }

    private Timer add(long at, Runnable task) {
        lock.lock();
        try {
            TimedTask timed = new TimedTask(at, sequence++, task);
            tasks.add(timed);
            changed.signal();
            return timed;
        } finally {
            lock.unlock();
        }
    }

    @Override
    public <T> T await(CompletableFuture<T> result) {
        if (Thread.currentThread().equals(thread))
            throw new IllegalStateException("a task can't wait on its own scheduler");
        return result.join();
    }

    private void loop() {
        try {
            for (TimedTask next = take(); next != null; next = take()) {
                long real = System.nanoTime();
                logical = Math.max(logical, real - next.at() > MOST_LAG ? real : next.at());
                next.run();
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    /** Null when it was closed. */
    private @Nullable TimedTask take() throws InterruptedException {
        lock.lock();
        try {
            while (!closed) {
                TimedTask head = tasks.peek();
                if (head == null) {
                    changed.await();
                } else if (head.at() - System.nanoTime() <= 0) {
                    return tasks.poll();
                } else {
                    changed.awaitNanos(head.at() - System.nanoTime());
                }
            }
            return null;
        } finally {
            lock.unlock();
        }
    }

    @Override
    public void close() {
        lock.lock();
        try {
            closed = true;
            changed.signal();
        } finally {
            lock.unlock();
        }
    }
}
