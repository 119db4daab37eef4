package codrane.core.run;

import codrane.core.pack.Habits.KeyCycle;
import java.time.Duration;
import java.time.Instant;
import java.util.Optional;

/**
 * A timed turn of the key as it is seen: off for so long, then on within the window; else the step starts over. Told about
 * twice a second where the key is.
 */
public final class KeyWatch {
    private enum Place {
        ON_STILL,
        OFF,
        TOO_EARLY,
        TOO_LATE,
        TURNED
    }

    private final KeyCycle cycle;
    private Place place = Place.ON_STILL;
    private Instant offSince = Instant.EPOCH;
    private Instant now = Instant.EPOCH;

    public KeyWatch(KeyCycle cycle) {
        this.cycle = cycle;
    }

    /** @param on whether the key is on; empty when nobody tells, as in a vehicle that sleeps: then it is as it was */
    public void seen(Optional<Boolean> on, Instant at) {
        now = at;
        if (place == Place.OFF && off().compareTo(cycle.off().plus(cycle.window())) > 0) place = Place.TOO_LATE;
        if (on.isEmpty()) return;
        switch (place) {
            case ON_STILL, TOO_EARLY -> {
                if (!on.get()) rest(at);
            }
            case OFF -> {
                if (on.get()) place = off().compareTo(cycle.off()) < 0 ? Place.TOO_EARLY : Place.TURNED;
            }
            case TOO_LATE -> {
                if (on.get()) place = Place.ON_STILL;
            }
            case TURNED -> {}
        }
    }

    private void rest(Instant at) {
        place = Place.OFF;
        offSince = at;
    }

    private Duration off() {
        return Duration.between(offSince, now);
    }

    public boolean turned() {
        return place == Place.TURNED;
    }

    /** What is to be done with the key now, as a sentence. */
    public String prompt() {
        return switch (place) {
            case ON_STILL -> "Turn the key off, for " + cycle.offSeconds() + " s.";
            case TOO_EARLY ->
                "That was too early, the step starts over: turn the key off, for " + cycle.offSeconds() + " s.";
            case TOO_LATE -> "The time is over and the step starts over: turn the key on, then off again.";
            case OFF -> {
                Duration rest = cycle.off().minus(off());
                yield rest.isPositive()
                        ? "Leave the key off: " + seconds(rest) + " s left."
                        : "Turn the key on now: " + seconds(rest.plus(cycle.window())) + " s left.";
            }
            case TURNED -> "The key was turned in time.";
        };
    }

    private static long seconds(Duration left) {
        return (left.toMillis() + 999) / 1000;
    }
}
