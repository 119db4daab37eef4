package codrane.app.web;

import codrane.core.power.PowerForecast.Curve;
import codrane.core.power.SupplyRecord;
import java.util.ArrayList;
import java.util.List;

/** Where a voltage over time lies in the pictures of the supply. */
public final class River {
    public static final int LEFT = 100;
    public static final int WIDTH = 890;
    private static final int TOP = 10;
    private static final int HEIGHT = 120;
    private static final int MOST_POINTS = 200;
    private static final double LOW = 10.5;
    private static final double HIGH = 15;

    private River() {}

    /** Points of a line, as SVG has them. */
    public static String points(Curve curve) {
        StringBuilder points = new StringBuilder();
        int step = Math.max(1, curve.volts().size() / MOST_POINTS);
        for (int i = 0; i < curve.volts().size(); i += step)
            points.append(x(i, curve.volts().size()))
                    .append(',')
                    .append(y(curve.volts().get(i)))
                    .append(' ');
        return points.toString().strip();
    }

    /** @return the polylines of what is known, each between two gaps */
    public static List<String> lines(SupplyRecord supply) {
        int size = supply.millivolts().size();
        int step = Math.max(1, size / MOST_POINTS);
        List<String> lines = new ArrayList<>();
        StringBuilder points = new StringBuilder();
        for (int i = 0; i < size; i += step) {
            int lowest = lowest(supply.millivolts().subList(i, Math.min(size, i + step)));
            if (lowest != SupplyRecord.UNKNOWN) {
                points.append(x(i, size - 1))
                        .append(',')
                        .append(y(lowest / 1000.0))
                        .append(' ');
                continue;
            }
            lines.add(points.toString().strip());
            points.setLength(0);
        }
        lines.add(points.toString().strip());
        lines.removeIf(String::isEmpty);
        return lines;
    }

    /** A dip is drawn however long the run is. */
    private static int lowest(List<Integer> millivolts) {
        return millivolts.stream().mapToInt(v -> v).filter(v -> v >= 0).min().orElse(SupplyRecord.UNKNOWN);
    }

    /** Across, of one of so many steps. */
    public static int x(int step, int steps) {
        return LEFT + step * WIDTH / Math.max(1, steps);
    }

    /** Downwards; what is outside the picture lies on its edge. */
    public static int y(double volts) {
        double inside = Math.clamp(volts, LOW, HIGH);
        return TOP + (int) Math.round(HEIGHT * (HIGH - inside) / (HIGH - LOW));
    }
}
