package codrane.app.live;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.time.InstantSource;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;

/** A lease is renewed, and a session kept, whatever the run's own thread waits for. */
class HeartbeatTest {
    private final InstantSource time = InstantSource.system();
    private final RunControl control = new RunControl(Instant.EPOCH);

    @Test
    void beats_whileTheRunWaits_renewAndKeep() throws InterruptedException {
        AtomicInteger renewed = new AtomicInteger();
        AtomicInteger kept = new AtomicInteger();
        Heartbeat heart = Heartbeat.of(1, control, time, renewed::incrementAndGet, kept::incrementAndGet);
        assertThat(control.stale(time.instant().plusSeconds(60))).isTrue();
        Thread.sleep(2600); // the run's thread: one long answer
        assertThat(renewed.get()).isBetween(2, 3);
        assertThat(kept.get()).isGreaterThan(3);
        assertThat(control.stale(time.instant())).isFalse();
        heart.stop();
        Thread.sleep(700);
        int after = kept.get();
        Thread.sleep(1200);
        assertThat(kept.get()).isEqualTo(after);
    }

    @Test
    void renew_fails_isTriedAgainAndEndsNothing() throws InterruptedException {
        AtomicInteger tried = new AtomicInteger();
        Heartbeat heart = Heartbeat.of(
                2,
                control,
                time,
                () -> {
                    tried.incrementAndGet();
                    throw new IllegalStateException("the database does not answer");
                },
                () -> {
                    throw new IllegalStateException("no link");
                });
        Thread.sleep(2400);
        heart.stop();
        assertThat(tried.get()).isGreaterThan(1);
        assertThat(control.lost()).isFalse();
        assertThat(control.stale(time.instant())).isTrue();
    }

    @Test
    void renew_leaseIsAnothers_isLostForGood() throws InterruptedException {
        Heartbeat heart = Heartbeat.of(
                3,
                control,
                time,
                () -> {
                    throw new Leases.LeaseLostException("Plover");
                },
                () -> {});
        Thread.sleep(300);
        heart.stop();
        assertThat(control.lost()).isTrue();
    }
}
