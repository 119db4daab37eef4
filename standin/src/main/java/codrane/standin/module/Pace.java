package codrane.standin.module;

import java.time.Duration;
import java.util.Random;

/**
 * The vehicle's own work: how long processing takes, with a deviation and jitter that the pack does not tell.
 */
public final class Pace {
    private final int speed;
    private final Random random;

    /** @param speed divides all work, at least 1; never protocol timeouts */
    public Pace(int speed, long seed) {
        if (speed < 1) throw new IllegalArgumentException("speed: " + speed + " (expected 1 or more)");
        this.speed = speed;
        this.random = new Random(seed);
    }

    public int speed() {
        return speed;
    }

    /** A factor of its own for each module, 0.94 to 1.06. */
    double deviation() {
        return 0.94 + random.nextDouble() * 0.12;
    }

    /** The time with up to 3 % jitter, divided by the speed. */
    Duration work(Duration nominal, double deviation) {
        double jitter = 1 + (random.nextDouble() - 0.5) * 0.06;
        return Duration.ofNanos((long) (nominal.toNanos() * deviation * jitter / speed));
    }
}
