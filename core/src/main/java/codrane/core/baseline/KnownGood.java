package codrane.core.baseline;

import java.util.List;
import java.util.stream.DoubleStream;

/**
 * One value beside those of healthy vehicles: median and median absolute deviation, and how far off it is.
 *
 * @param references how many vehicles
 * @param deviation median absolute deviation, never below one count of the value's resolution
 * @param score |value - median| / (1.4826 * deviation)
 */
public record KnownGood(
        int references, double median, double deviation, double lowest, double highest, double score, Verdict verdict) {
    /** From so many references on it is judged. */
    public static final int ENOUGH = 20;

    private static final double ODD = 3.5;
    private static final double NORMAL = 1.4826;

    /** Where the value stands. */
    public enum Verdict {
        TOO_FEW("too few to judge"),
        USUAL("as usual"),
        ODD("odd");

        private final String words;

        Verdict(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /**
     * @param references at least one
     * @param resolution what one count is worth, greater than 0
     */
    public static KnownGood of(List<Double> references, double value, double resolution) {
        double median = median(references.stream().mapToDouble(d -> d));
        double deviation = Math.max(resolution, median(references.stream().mapToDouble(d -> Math.abs(d - median))));
        double score = Math.abs(value - median) / (NORMAL * deviation);
        Verdict verdict = references.size() < ENOUGH ? Verdict.TOO_FEW : score > ODD ? Verdict.ODD : Verdict.USUAL;
        return new KnownGood(
                references.size(),
                median,
                deviation,
                references.stream().mapToDouble(d -> d).min().orElseThrow(),
                references.stream().mapToDouble(d -> d).max().orElseThrow(),
                score,
                verdict);
    }

    private static double median(DoubleStream values) {
        double[] sorted = values.sorted().toArray();
        if (sorted.length == 0) throw new IllegalArgumentException("references: 0 (expected 1 or more)");
        int middle = sorted.length / 2;
        return sorted.length % 2 == 1 ? sorted[middle] : (sorted[middle - 1] + sorted[middle]) / 2;
    }
}
