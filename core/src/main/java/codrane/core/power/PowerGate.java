package codrane.core.power;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Locale;

/** Go or no before a run, and what the voltage says during it. Unknown voltage never passes. */
public final class PowerGate {
    /** Ten seconds of samples decide a start. */
    public static final Duration START_SPAN = Duration.ofSeconds(10);
    /** A reading older than this is unknown. */
    public static final Duration STALE = Duration.ofSeconds(2);

    private static final Duration PAUSE_AFTER = Duration.ofSeconds(3);
    private static final Duration CRITICAL_AFTER = Duration.ofSeconds(1);
    private static final int LEAST_SAMPLES = 5;

    private PowerGate() {}

    /** Whether a run may start on this supply. */
    public enum State {
        PASSES,
        /** Not enough readings yet: ask again in a moment. */
        MEASURING,
        REFUSED
    }

    public record Verdict(State state, String reason) {
        public boolean passes() {
            return state == State.PASSES;
        }
    }

    /** What a run does about the voltage. */
    public enum Watch {
        FINE,
        PAUSE,
        CRITICAL,
        UNKNOWN
    }

    /** @param samples oldest first */
    public static Verdict start(List<SupplyReading> samples, PowerWindow window, Instant now) {
        List<SupplyReading> recent = since(samples, now.minus(START_SPAN));
        if (isStale(recent, now)) return no("The supply voltage is unknown: no reading in the last 2 s.");
        Instant oldest = recent.getFirst().at();
        if (recent.size() < LEAST_SAMPLES || Duration.between(oldest, now).compareTo(START_SPAN.minusSeconds(1)) < 0) {
            return new Verdict(
                    State.MEASURING,
                    "Measuring: 10 s of readings are needed, "
                            + Duration.between(oldest, now).toSeconds() + " s are there.");
        }
        double median = median(recent);
        double last = recent.getLast().volts();
        if (Math.max(median, last) > window.upper()) {
            return no(text(
                    "%.2f V is above the battery's limit of %.1f V: lower the support unit.",
                    Math.max(median, last), window.upper()));
        }
        if (Math.min(median, last) < window.start()) {
            return no(text(
                    "%.2f V, and %s starts at %.1f V: switch the support unit on.",
                    Math.min(median, last), window.name(), window.start()));
        }
        return new Verdict(
                State.PASSES, text("%.2f V over 10 s; %s starts at %.1f V.", median, window.name(), window.start()));
    }

    /** @param samples oldest first */
    public static Watch watch(List<SupplyReading> samples, PowerWindow window, Instant now) {
        if (isStale(samples, now)) return Watch.UNKNOWN;
        if (below(samples, window.critical(), CRITICAL_AFTER, now)) return Watch.CRITICAL;
        return below(samples, window.hold(), PAUSE_AFTER, now) ? Watch.PAUSE : Watch.FINE;
    }

    /** Whether all samples of the span, and the one before it, are below the limit. */
    private static boolean below(List<SupplyReading> samples, double limit, Duration span, Instant now) {
        Instant from = now.minus(span);
        boolean covered = false;
        for (SupplyReading sample : samples) {
            if (!sample.at().isAfter(from)) {
                covered = sample.volts() < limit;
            } else if (sample.volts() >= limit) {
                return false;
            }
        }
        return covered;
    }

    private static boolean isStale(List<SupplyReading> samples, Instant now) {
        return samples.isEmpty() || samples.getLast().at().isBefore(now.minus(STALE));
    }

    private static List<SupplyReading> since(List<SupplyReading> samples, Instant from) {
        return samples.stream().filter(s -> !s.at().isBefore(from)).toList();
    }

    private static double median(List<SupplyReading> samples) {
        double[] volts =
                samples.stream().mapToDouble(SupplyReading::volts).sorted().toArray();
        int middle = volts.length / 2;
        return volts.length % 2 == 1 ? volts[middle] : (volts[middle - 1] + volts[middle]) / 2;
    }

    private static String text(String format, Object... values) {
        return String.format(Locale.ROOT, format, values);
    }

    private static Verdict no(String reason) {
        return new Verdict(State.REFUSED, reason);
    }
}
