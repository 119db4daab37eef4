package codrane.core.run;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.pack.Habits.KeyCycle;
import java.time.Instant;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** Off for 10 s, then on within 20 s; else it starts over. */
class KeyWatchTest {
    private static final Instant START = Instant.parse("2026-11-29T08:00:00Z");
    private static final Optional<Boolean> ON = Optional.of(true);
    private static final Optional<Boolean> OFF = Optional.of(false);

    private final KeyWatch watch = new KeyWatch(new KeyCycle(10, 20));

    private void at(double seconds, Optional<Boolean> key) {
        watch.seen(key, START.plusMillis((long) (1000 * seconds)));
    }

    @Test
    void offLongEnoughAndOnInTime_isTurned() {
        at(0, ON);
        assertThat(watch.prompt()).isEqualTo("Turn the key off, for 10 s.");
        at(3, OFF);
        assertThat(watch.prompt()).isEqualTo("Leave the key off: 10 s left.");
        at(9.5, OFF);
        assertThat(watch.prompt()).isEqualTo("Leave the key off: 4 s left.");
        at(13, OFF);
        assertThat(watch.prompt()).isEqualTo("Turn the key on now: 20 s left.");
        at(32, ON);
        assertThat(watch.turned()).isTrue();
    }

    @Test
    void onTooEarly_startsOverWithItsFullTime() {
        at(0, OFF);
        at(9, ON);
        assertThat(watch.turned()).isFalse();
        assertThat(watch.prompt()).startsWith("That was too early");
        at(11, OFF);
        assertThat(watch.prompt()).isEqualTo("Leave the key off: 10 s left.");
        at(20, ON);
        assertThat(watch.turned()).isFalse();
        at(21, OFF);
        at(31, ON);
        assertThat(watch.turned()).isTrue();
    }

    @Test
    void onTooLate_isNoTurn_andTheKeyIsTurnedOffAnew() {
        at(0, OFF);
        at(31, OFF);
        assertThat(watch.prompt()).startsWith("The time is over");
        at(32, ON);
        assertThat(watch.turned()).isFalse();
        assertThat(watch.prompt()).startsWith("Turn the key off");
        at(33, OFF);
        at(44, ON);
        assertThat(watch.turned()).isTrue();
    }

    /** It fell asleep: who does not answer has not turned the key. */
    @Test
    void silence_isNeitherOnNorOff() {
        at(0, Optional.empty());
        at(20, Optional.empty());
        assertThat(watch.prompt()).startsWith("Turn the key off");
        at(21, OFF);
        at(28, Optional.empty());
        assertThat(watch.prompt()).isEqualTo("Leave the key off: 3 s left.");
        at(60, Optional.empty());
        assertThat(watch.prompt()).startsWith("The time is over");
    }

    @Test
    void firstSeenOnAfterTheWindow_isTooLate() {
        at(0, OFF);
        at(40, ON);
        assertThat(watch.turned()).isFalse();
    }

    /** Whatever is seen: it is turned only after a rest of 10 s, seen off at its beginning and on within 30 s of that. */
    @Test
    void turned_onlyAfterARestThatFits() {
        Random random = new Random(7);
        for (int trial = 0; trial < 2000; trial++) {
            KeyWatch any = new KeyWatch(new KeyCycle(10, 20));
            double off = Double.NaN;
            double now = 0;
            for (int i = 0; i < 60 && !any.turned(); i++) {
                now += random.nextInt(1, 80) / 10.0;
                boolean on = random.nextInt(3) == 0;
                any.seen(Optional.of(on), START.plusMillis(Math.round(1000 * now)));
                if (any.turned()) assertThat(now - off).isBetween(9.999, 30.001);
                if (on) off = Double.NaN;
                else if (Double.isNaN(off)) off = now;
            }
        }
    }
}
