package codrane.link.time;

import java.time.Duration;

/**
 * A timeout that is set anew over and over: keeps at most one timer waiting instead of one for each frame. Lives on the
 * scheduler.
 */
public final class Watchdog {
    private static final long NEVER = Long.MAX_VALUE;

    private final Scheduler time;
    private long deadline = NEVER;
    private long armedFor = NEVER;
    private Runnable otherwise = () -> {};

    public Watchdog(Scheduler time) {
        this.time = time;
    }

    /** @param action runs when the span ends before this is called again or {@link #rest} is */
    public void expectWithin(Duration span, Runnable action) {
        deadline = time.now() + span.toNanos();
        otherwise = action;
        if (deadline < armedFor) arm();
    }

    /** Nothing is awaited. */
    public void rest() {
        deadline = NEVER;
    }

    private void arm() {
        long at = deadline;
        armedFor = at;
        time.afterNanos(Math.max(0, at - time.now()), () -> look(at));
    }

    private void look(long at) {
        if (at != armedFor) return; // an earlier one was armed since
        armedFor = NEVER;
        if (deadline == NEVER) return;
        if (time.now() < deadline) {
            arm();
        } else {
            deadline = NEVER;
            otherwise.run();
        }
    }
}
