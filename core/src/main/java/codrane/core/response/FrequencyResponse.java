package codrane.core.response;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/**
 * Levels by frequency as they were measured; only differences of levels mean something.
 *
 * @param points at least two frequencies, rising
 */
public record FrequencyResponse(List<Point> points) {
    /** Third octaves have ten bands a decade. */
    private static final int BANDS_PER_DECADE = 10;

    private static final List<Integer> NOMINAL = List.of(100, 125, 160, 200, 250, 315, 400, 500, 630, 800);

    /**
     * @param hz 1 to 100,000
     * @param db -200 to 200
     */
    public record Point(double hz, double db) {
        public Point {
            if (!(hz >= 1 && hz <= 100_000)) throw new IllegalArgumentException("hz: " + hz + " (expected 1..100000)");
            if (!(db >= -200 && db <= 200)) throw new IllegalArgumentException("db: " + db + " (expected -200..200)");
        }
    }

    /** Frequencies that count: Source: unchecked; workshop policy. */
    public enum Band {
        SPEECH(160, 8000),
        FULL(63, 16_000);

        private final double from;
        private final double to;

        Band(double from, double to) {
            this.from = from;
            this.to = to;
        }

        /** Names of its third octaves, Hz (IEC 61260-1, nominal midband frequencies). */
        public List<Integer> middles() {
            List<Integer> middles = new ArrayList<>();
            int last = (int) Math.round(BANDS_PER_DECADE * Math.log10(to));
            for (int n = (int) Math.round(BANDS_PER_DECADE * Math.log10(from)); n <= last; n++)
                middles.add((int) Math.round(
                        NOMINAL.get(n % BANDS_PER_DECADE) * Math.pow(10, Math.floorDiv(n, BANDS_PER_DECADE) - 2.0)));
            return middles;
        }

        public String key() {
            return name().toLowerCase(java.util.Locale.ROOT);
        }
    }

    public FrequencyResponse {
        points = points.stream().sorted(Comparator.comparingDouble(Point::hz)).toList();
        if (points.size() < 2 || points.getFirst().hz() == points.getLast().hz())
            throw new IllegalArgumentException("points: " + points.size() + " (expected two frequencies at least)");
    }

    /** @param db one for each frequency */
    public static FrequencyResponse of(List<Double> hz, List<Double> db) {
        if (hz.size() != db.size())
            throw new IllegalArgumentException("db: " + db.size() + " (expected " + hz.size() + ", one each)");
        List<Point> points = new ArrayList<>();
        for (int i = 0; i < hz.size(); i++) points.add(new Point(hz.get(i), db.get(i)));
        return new FrequencyResponse(points);
    }

    /**
     * Levels by nominal third octave of a band, dB: the mean of the power measured within it; between the nearest points,
     * where none was.
     */
    Map<Integer, Double> thirdOctaves(Band band) {
        Map<Integer, Double> levels = new TreeMap<>();
        int first = (int) Math.round(BANDS_PER_DECADE * Math.log10(band.from));
        int last = (int) Math.round(BANDS_PER_DECADE * Math.log10(band.to));
        for (int n = first; n <= last; n++) levels.put(n, level(n));
        return levels;
    }

    private double level(int band) {
        double low = Math.pow(10, (band - 0.5) / BANDS_PER_DECADE);
        double high = Math.pow(10, (band + 0.5) / BANDS_PER_DECADE);
        double centre = Math.pow(10, (double) band / BANDS_PER_DECADE);
        List<Point> within =
                points.stream().filter(p -> p.hz() >= low && p.hz() < high).toList();
        if (within.isEmpty()) return between(centre);
        double power = within.stream()
                .mapToDouble(p -> Math.pow(10, p.db() / 10))
                .average()
                .orElseThrow();
        return 10 * Math.log10(power);
    }

    /** On a line over the logarithm of the frequency. */
    private double between(double hz) {
        Point before = points.getFirst();
        for (Point point : points) {
            if (point.hz() >= hz) {
                double span = Math.log(point.hz() / before.hz());
                double part = span == 0 ? 0 : Math.log(hz / before.hz()) / span;
                return before.db() + part * (point.db() - before.db());
            }
            before = point;
        }
        return before.db();
    }

    /** Whether what was measured reaches over the band, to half a third octave. */
    public boolean covers(Band band) {
        double half = Math.pow(10, 0.5 / BANDS_PER_DECADE);
        return points.getFirst().hz() <= band.from * half && points.getLast().hz() >= band.to / half;
    }

    /** Levels of the band's third octaves, their mean at 0 dB. */
    public List<Double> aligned(Band band) {
        List<Double> levels = new ArrayList<>(thirdOctaves(band).values());
        double mean = levels.stream().mapToDouble(l -> l).average().orElseThrow();
        return levels.stream().map(l -> l - mean).toList();
    }

    /** Standard deviation of the band's third octaves, dB: the less, the flatter. */
    public double flatness(Band band) {
        return Math.sqrt(
                aligned(band).stream().mapToDouble(l -> l * l).average().orElseThrow());
    }
}
