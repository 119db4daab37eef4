package codrane.core.power;

import java.util.Locale;
import java.util.Optional;

/** Batteries by chemistry: resting voltage at 25 °C against state of charge, by linear interpolation between points. */
public enum Chemistry {
    FLOODED("0:11.89 25:12.06 50:12.24 75:12.45 100:12.65"),
    EFB("0:11.90 25:12.10 50:12.30 75:12.52 100:12.75"),
    AGM("0:11.80 25:12.15 50:12.40 75:12.65 100:12.85"),
    LFP("0:10.0 10:12.8 20:12.9 30:13.0 40:13.1 70:13.2 90:13.3 100:13.4");

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
        return interpolate(volts, 1, 0);
    }

    /** @param percent 0..100 */
    public double voltsAt(double percent) {
        return interpolate(percent, 0, 1);
    }

    /** Highest voltage that it may see. */
    public double upperVolts() {
        return PowerWindow.upperLimit(key());
    }

    private double interpolate(double value, int from, int to) {
        double[][] table = table();
        if (value <= table[0][from]) return table[0][to];
        for (int i = 1; i < table.length; i++) {
            double[] low = table[i - 1];
            double[] high = table[i];
            if (value > high[from]) continue;
            return low[to] + (value - low[from]) / (high[from] - low[from]) * (high[to] - low[to]);
        }
        return table[table.length - 1][to];
    }

    private double[][] table() {
        String[] pairs = points.split(" ");
        double[][] table = new double[pairs.length][];
        for (int i = 0; i < pairs.length; i++) {
            String[] sides = pairs[i].split(":");
            table[i] = new double[] {Double.parseDouble(sides[0]), Double.parseDouble(sides[1])};
        }
        return table;
    }
}
