package codrane.app.live;

import java.time.Duration;
import java.time.Instant;
import java.util.Optional;

/** What others tell a run that is under way: that its lease still holds, or that it is to stop. Used by several threads. */
final class RunControl {
    /** After this long without a renewal nothing is sent: the lease is about to end. */
    private static final Duration STALE = Duration.ofSeconds(8);

    private volatile Optional<Halt> halt = Optional.empty();
    private volatile boolean lost;
    private volatile Instant renewed;

    RunControl(Instant now) {
        renewed = now;
    }

    /**
     * A wish to stop.
     *
     * @param evenCommitted whether it stops between blocks, too, where the module must be recovered
     */
    record Halt(String sentence, String nextStep, boolean evenCommitted) {}

    void stop(Halt wish) {
        halt = Optional.of(wish);
    }

    Optional<Halt> halt() {
        return halt;
    }

    void renewed(Instant now) {
        renewed = now;
    }

    void lose() {
        lost = true;
    }

    boolean lost() {
        return lost;
    }

    boolean stale(Instant now) {
        return Duration.between(renewed, now).compareTo(STALE) > 0;
    }
}
