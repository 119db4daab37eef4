package codrane.app.web;

import codrane.core.power.PowerForecast.Curve;

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
            points.append(LEFT + i * WIDTH / curve.volts().size())
                    .append(',')
                    .append(y(curve.volts().get(i)))
                    .append(' ');
        return points.toString().strip();
    }

    /** Downwards; what is outside the picture lies on its edge. */
    public static int y(double volts) {
        double inside = Math.clamp(volts, LOW, HIGH);
        return TOP + (int) Math.round(HEIGHT * (HIGH - inside) / (HIGH - LOW));
    }
}
