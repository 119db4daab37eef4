package codrane.core.power;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.ToDoubleFunction;

/** Batteries by chemistry: resting voltage at 25 °C against state of charge, by linear interpolation between points. */
public enum Chemistry {
    FLOODED("0:11.89 25:12.06 50:12.24 75:12.45 100:12.65"),
    EFB("0:11.90 25:12.10 50:12.30 75:12.52 100:12.75"),
    AGM("0:11.80 25:12.15 50:12.40 75:12.65 100:12.85"),
    LFP("0:10.0 10:12.8 20:12.9 30:13.0 40:13.1 70:13.2 90:13.3 100:13.4");

    private static final Map<Chemistry, List<Point>> TABLES = new ConcurrentHashMap<>();

    private final String points;

    Chemistry(String points) {
        this.points = points;
    }

    public static Optional<Chemistry> of(String key) {
        for (Chemistry chemistry : values()) {
            if (chemistry.key().equals(key)) return Optional.of(chemistry);
        }
        return Optional.empty();
    }

    /** For people: what is an abbreviation is in capitals. */
    public String words() {
        return this == FLOODED ? key() : name();
    }

    /** As in packs. */
    public String key() {
        return name().toLowerCase(Locale.ROOT);
    }

    /** @return 0..100 for a rested battery's voltage; outside the table its nearest end */
    public double percentAt(double volts) {
        return interpolate(table(), volts, Point::volts, Point::percent);
    }

    /** @param percent 0..100 */
    public double voltsAt(double percent) {
        return interpolate(table(), percent, Point::percent, Point::volts);
    }

    /** Cells in series of a 12 V battery. */
    int cells() {
        return this == LFP ? 4 : 6;
    }

    /** Highest voltage that it may see at 25 °C. */
    public double upperVolts() {
        return PowerWindow.upperLimit(key());
    }

    private List<Point> table() {
        return TABLES.computeIfAbsent(
                this, c -> Arrays.stream(c.points.split(" ")).map(Point::of).toList());
    }

    private static double interpolate(
            List<Point> points, double value, ToDoubleFunction<Point> from, ToDoubleFunction<Point> to) {
        if (value <= from.applyAsDouble(points.getFirst())) return to.applyAsDouble(points.getFirst());
        for (int i = 1; i < points.size(); i++) {
            Point low = points.get(i - 1);
            Point high = points.get(i);
            if (value > from.applyAsDouble(high)) continue;
            double part = (value - from.applyAsDouble(low)) / (from.applyAsDouble(high) - from.applyAsDouble(low));
            return to.applyAsDouble(low) + part * (to.applyAsDouble(high) - to.applyAsDouble(low));
        }
        return to.applyAsDouble(points.getLast());
    }

    /** A point of the table: state of charge at a resting voltage. */
    private record Point(double percent, double volts) {
        static Point of(String pair) {
            int at = pair.indexOf(':');
            return new Point(Double.parseDouble(pair.substring(0, at)), Double.parseDouble(pair.substring(at + 1)));
        }
    }
}
