package codrane.app.live;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.app.Until;
import codrane.link.run.LeaseLostException;
import codrane.link.run.RunControl;
import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;

/** A lease is renewed, and a session kept, whatever the run's own thread waits for. */
class HeartbeatTest {
    private final InstantSource time = InstantSource.system();
    private final RunControl control = new RunControl("Plover", Instant.EPOCH);

    @Test
    void beats_whileTheRunWaits_renewAndKeep() {
        AtomicInteger renewed = new AtomicInteger();
        AtomicInteger kept = new AtomicInteger();
        Heartbeat heart = Heartbeat.of(1, control, time, renewed::incrementAndGet, kept::incrementAndGet);
        assertThat(control.stale(time.instant().plusSeconds(60))).isTrue();
        Until.so(() -> renewed.get() >= 2); // the run's thread: one long answer
        assertThat(kept.get()).isGreaterThan(3);
        assertThat(control.stale(time.instant())).isFalse();
        heart.stop();
        int after = kept.get() + 1; // one may be on its way
        Until.stays(Duration.ofMillis(1500), () -> kept.get() <= after);
    }

    @Test
    void renew_fails_isTriedAgainAndEndsNothing() {
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
        Until.so(() -> tried.get() > 1);
        heart.stop();
        assertThat(control.lost()).isFalse();
        assertThat(control.stale(time.instant())).isTrue();
    }

    @Test
    void renew_leaseIsAnothers_isLostForGood() {
        Heartbeat heart = Heartbeat.of(
                3,
                control,
                time,
                () -> {
                    throw new LeaseLostException("Plover");
                },
                () -> {});
        Until.so(control::lost);
        heart.stop();
    }
}
