package codrane.core.power;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/**
 * How full a battery is, as far as its resting voltage tells.
 *
 * @param percent 0..100
 * @param low end of the honest interval, 0..100
 * @param high end of the honest interval, 0..100
 * @param reasons why the interval is as wide as it is
 */
public record StateOfCharge(double percent, double low, double high, List<String> reasons) {
    private static final double RESTED_HOURS = 4;
    private static final double BEST = 5;
    private static final double UNRESTED = 15;
    private static final double FLAT_CURVE = 20;
    private static final double TABLE_CELSIUS = 25;
    private static final double CELSIUS_A_PERCENT = 5;

    public StateOfCharge {
        reasons = List.copyOf(reasons);
    }

    public static StateOfCharge of(Battery battery) {
        double percent = battery.chemistry().percentAt(battery.restVolts());
        List<String> reasons = new ArrayList<>();
        reasons.add(String.format(
                Locale.ROOT,
                "%.2f V is %.0f %% for a rested %s battery at 25 °C.",
                battery.restVolts(),
                percent,
                battery.chemistry().key()));
        double width = BEST;
        if (battery.restedHours() < RESTED_HOURS) {
            width = UNRESTED;
            reasons.add("It has not rested for 4 hours: ±15 %.");
        }
        boolean flat = battery.chemistry() == Chemistry.LFP && percent >= 40 && percent <= 90;
        if (flat) {
            width = Math.max(width, FLAT_CURVE);
            reasons.add("Between 40 and 90 % its voltage hardly tells: ±20 %.");
        }
        double cold = Math.abs(battery.celsius() - TABLE_CELSIUS) / CELSIUS_A_PERCENT;
        if (cold >= 1)
            reasons.add(
                    String.format(Locale.ROOT, "At %.0f °C the interval is %.0f %% wider.", battery.celsius(), cold));
        width += cold;
        return new StateOfCharge(percent, Math.max(0, percent - width), Math.min(100, percent + width), reasons);
    }
}
