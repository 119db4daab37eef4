package codrane.app.job;

import codrane.core.baseline.BaselineEstimate;
import codrane.core.job.BenchNotes.BatteryNote;
import codrane.core.pack.Pack;
import codrane.core.power.Battery;
import codrane.core.power.PowerForecast;
import codrane.core.power.PowerForecast.Load;
import codrane.core.power.PowerForecast.SupportUnit;
import codrane.core.power.PowerWindow;
import codrane.core.power.StateOfCharge;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * What the measured battery means for this job.
 *
 * @param setPoint volts to which the support unit is set
 * @param keyMinutes how long the key may be on without the unit; empty: longer than two hours
 * @param with points of the river with the unit; empty when there is none
 * @param bandTop of the window in the picture, downwards
 */
public record PowerView(
        String charge,
        PowerForecast.Decision decision,
        String reason,
        String rating,
        String setPoint,
        Optional<Integer> keyMinutes,
        String with,
        String without,
        int seconds,
        int bandTop,
        int bandHeight) {
    private static final int WORK_SECONDS = 600;
    private static final int LONGEST_KEY_MINUTES = 120;
    private static final double HALF = 50;
    private static final double ABOVE_START = 0.3;

    static PowerView of(JobFacts facts, BatteryNote note) {
        Pack pack = facts.pack();
        Battery battery = note.battery();
        Optional<SupportUnit> unit = note.supportUnit();
        List<Load> loads = loads(facts);
        PowerWindow window = facts.window();
        PowerForecast forecast = PowerForecast.of(battery, unit, loads, window);
        return new PowerView(
                text(
                        "%.0f %%, honestly %.0f to %.0f %%",
                        forecast.charge().percent(),
                        forecast.charge().low(),
                        forecast.charge().high()),
                forecast.decision(),
                forecast.reason(),
                text("%.0f A at least", forecast.ratingA()),
                text("%.1f V", Math.min(window.upper(), window.start() + ABOVE_START)),
                keyMinutes(forecast.charge(), battery, pack),
                forecast.withUnit().map(River::points).orElse(""),
                River.points(forecast.withoutUnit()),
                loads.stream().mapToInt(Load::seconds).sum(),
                River.y(window.upper()),
                River.y(window.start()) - River.y(window.upper()));
    }

    /** Reading with the key on, then writing if there is a plan. */
    private static List<Load> loads(JobFacts facts) {
        Pack pack = facts.pack();
        int reading = (int) BaselineEstimate.of(pack, pack.modules().values()).toSeconds() + WORK_SECONDS;
        List<Load> loads =
                new ArrayList<>(List.of(new Load(reading, pack.supply().keyOnA())));
        if (facts.writingSeconds() > 0)
            loads.add(new Load(facts.writingSeconds(), pack.supply().programmingA()));
        return loads;
    }

    /** Until half of the battery is used, by the lower end of what it may hold. */
    private static Optional<Integer> keyMinutes(StateOfCharge charge, Battery battery, Pack pack) {
        double usableAh = Math.max(0, charge.low() - HALF) / 100 * battery.capacityAh();
        int minutes = (int) (60 * usableAh / Math.max(0.1, pack.supply().keyOnA()));
        return minutes > LONGEST_KEY_MINUTES ? Optional.empty() : Optional.of(minutes);
    }

    private static String text(String form, Object... values) {
        return String.format(Locale.ROOT, form, values);
    }
}
