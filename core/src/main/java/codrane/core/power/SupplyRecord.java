package codrane.core.power;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * The supply over a run, second by second.
 *
 * @param hold volts below which the run paused
 * @param upper volts that the battery must not exceed
 * @param millivolts the lowest of each second since it began; -1 where nothing was read
 */
public record SupplyRecord(Instant begun, double hold, double upper, List<Integer> millivolts) {
    /** Nothing was read in that second. */
    public static final int UNKNOWN = -1;

    /** Longer than any run lasts, in seconds. */
    private static final int LONGEST = 6 * 3600;

    public SupplyRecord {
        millivolts = List.copyOf(millivolts);
    }

    public static SupplyRecord begin(Instant at, PowerWindow window) {
        return new SupplyRecord(at, window.hold(), window.upper(), List.of());
    }

    /** What one second was. */
    public record Moment(Instant at, double volts) {}

    /**
     * With the seconds that have passed.
     *
     * @param readings of at least the time since it was last told
     * @param until now; a second that is not over is left for later
     */
    public SupplyRecord until(Instant until, List<SupplyReading> readings) {
        List<Integer> more = new ArrayList<>(millivolts);
        while (more.size() < LONGEST && !second(more.size() + 1).isAfter(until))
            more.add(lowest(more.size(), readings));
        return new SupplyRecord(begun, hold, upper, more);
    }

    private Instant second(int number) {
        return begun.plusSeconds(number);
    }

    private int lowest(int number, List<SupplyReading> readings) {
        Instant from = second(number);
        Instant to = second(number + 1);
        return readings.stream()
                .filter(r -> !r.at().isBefore(from) && r.at().isBefore(to))
                .mapToInt(r -> (int) Math.round(r.volts() * 1000))
                .min()
                .orElse(UNKNOWN);
    }

    public Duration span() {
        return Duration.ofSeconds(millivolts.size());
    }

    /** The first of the lowest; empty when nothing was read. */
    public Optional<Moment> lowest() {
        int lowest =
                millivolts.stream().filter(v -> v >= 0).mapToInt(v -> v).min().orElse(UNKNOWN);
        return lowest == UNKNOWN
                ? Optional.empty()
                : Optional.of(new Moment(second(millivolts.indexOf(lowest)), lowest / 1000.0));
    }

    public long secondsBelowHold() {
        return millivolts.stream().filter(v -> v >= 0 && v < hold * 1000).count();
    }

    public long secondsAboveLimit() {
        return millivolts.stream().filter(v -> v > upper * 1000).count();
    }

    public long secondsUnknown() {
        return millivolts.stream().filter(v -> v < 0).count();
    }
}
