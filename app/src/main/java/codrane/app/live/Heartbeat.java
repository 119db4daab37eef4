package codrane.app.live;

import codrane.link.run.LeaseLostException;
import codrane.link.run.RunControl;
import java.time.Duration;
import java.time.InstantSource;
import java.util.concurrent.atomic.AtomicBoolean;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * Renews a run's lease, and keeps its module's session, on threads of their own: whatever the run waits for (a key, a
 * voltage, one long pending answer, a database that does not answer), neither ends by it.
 */
final class Heartbeat {
    private static final Logger LOG = LoggerFactory.getLogger(Heartbeat.class);
    private static final Duration RENEW_EVERY = Duration.ofSeconds(2);
    private static final Duration KEEP_EVERY = Duration.ofMillis(500);

    private final AtomicBoolean running = new AtomicBoolean(true);

    private Heartbeat() {}

    /**
     * @param renew throws {@link LeaseLostException} when the lease is another's
     * @param keepSession may throw when the link is gone: the run itself finds that out
     */
    static Heartbeat of(long runId, RunControl control, InstantSource time, Runnable renew, Runnable keepSession) {
        Heartbeat heart = new Heartbeat();
        Thread.ofVirtual()
                .name("lease-" + runId)
                .start(() -> heart.every(RENEW_EVERY, () -> renew(runId, control, time, renew)));
        Thread.ofVirtual().name("session-" + runId).start(() -> heart.every(KEEP_EVERY, () -> keep(keepSession)));
        return heart;
    }

    private void every(Duration span, Runnable beat) {
        try {
            while (running.get()) {
                beat.run();
                Thread.sleep(span);
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    private static void renew(long runId, RunControl control, InstantSource time, Runnable renew) {
        if (control.lost()) return;
        try {
            renew.run();
            control.renewed(time.instant());
        } catch (LeaseLostException e) {
            control.lose();
        } catch (RuntimeException e) {
            LOG.warn("run {}: its lease could not be renewed: {}", runId, e.getMessage());
        }
    }

    private static void keep(Runnable keepSession) {
        try {
            keepSession.run();
        } catch (RuntimeException e) {
            LOG.debug("the session was not kept", e);
        }
    }

    void stop() {
        running.set(false);
    }
}
