package codrane.link.time;

import java.time.Duration;
import java.util.concurrent.CompletableFuture;

/** Runs tasks one after the other at their time. All protocol state of one bus lives on one scheduler. */
public interface Scheduler {
    /** Nanoseconds since an arbitrary start; within a timed task exactly the time it was set for. */
    long now();

    /** @return a handle that prevents the task from running, if it has not yet */
    default Timer after(Duration delay, Runnable task) {
        return afterNanos(delay.toNanos(), task);
    }

    /** As {@link #after}. */
    Timer afterNanos(long delay, Runnable task);

    /** Runs the task as soon as possible; may be called from any thread. */
    void execute(Runnable task);

    /**
     * Waits for a result that tasks of this scheduler will bring. Not to be called from a task.
     *
     * @throws IllegalStateException in virtual time, when nothing is left that could bring it
     */
    <T> T await(CompletableFuture<T> result);

    /** A timed task. */
    interface Timer {
        void cancel();
    }
}
