package codrane.app.job;

import codrane.core.job.BenchNotes.BatteryNote;
import codrane.core.plan.Plan;
import codrane.core.plan.PowerNeed;
import codrane.core.plan.PowerNeed.Stretch;
import codrane.core.power.Battery;
import codrane.core.power.Chemistry;
import codrane.core.power.PowerForecast;
import codrane.core.power.PowerForecast.Curve;
import codrane.core.power.PowerForecast.Load;
import codrane.core.power.PowerForecast.SupportUnit;
import codrane.core.power.PowerWindow;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * The voltage over the whole run of a plan, with and without the support unit.
 *
 * @param measured false: the pack's battery was taken, at rest and three quarters full, since nobody measured it
 * @param marks where operations begin, across the picture
 */
public record PowerPicture(
        PowerForecast.Decision decision,
        String reason,
        String rating,
        String used,
        String least,
        boolean measured,
        String with,
        String without,
        List<Mark> marks,
        int minutes,
        int bandTop,
        int bandHeight,
        PowerWindow window) {
    private static final double ASSUMED_PERCENT = 75;
    private static final int LEAST_MARK_GAP = 170;

    /** @param x across the picture */
    public record Mark(int x, String title) {}

    /** Empty when the plan writes nothing. */
    static Optional<PowerPicture> of(JobFacts facts, Plan plan) {
        if (plan.writes().findAny().isEmpty()) return Optional.empty();
        List<Stretch> stretches = PowerNeed.stretches(facts.pack(), plan.operations());
        Optional<BatteryNote> note = facts.benchNotes().battery();
        Battery battery = note.map(BatteryNote::battery).orElseGet(() -> assumed(facts));
        Optional<SupportUnit> unit = note.map(BatteryNote::supportUnit)
                .orElseGet(() -> Optional.of(new SupportUnit(facts.window().start() + 0.3, 90)));
        List<Load> loads = stretches.stream().map(Stretch::load).toList();
        PowerWindow window = facts.window();
        PowerForecast forecast = PowerForecast.of(battery, unit, loads, window);
        int seconds = loads.stream().mapToInt(Load::seconds).sum();
        Curve real = forecast.withUnit().orElse(forecast.withoutUnit());
        return Optional.of(new PowerPicture(
                forecast.decision(),
                forecast.reason(),
                text("%.0f A at least", forecast.ratingA()),
                text(
                                "%.1f Ah without the unit; with it ",
                                forecast.withoutUnit().usedAh())
                        + (real.usedAh() < 0
                                ? text("the battery gains %.1f Ah", -real.usedAh())
                                : text("%.1f Ah", real.usedAh())),
                text(
                        "%.2f V with the unit, %.2f V without",
                        real.leastVolts(), forecast.withoutUnit().leastVolts()),
                note.isPresent(),
                forecast.withUnit().map(River::points).orElse(""),
                River.points(forecast.withoutUnit()),
                marks(stretches, seconds),
                (seconds + 59) / 60,
                River.y(window.upper()),
                River.y(window.start()) - River.y(window.upper()),
                window));
    }

    private static Battery assumed(JobFacts facts) {
        Chemistry chemistry = Chemistry.of(facts.pack().supply().chemistry()).orElseThrow();
        return new Battery(chemistry, facts.pack().supply().capacityAh(), chemistry.voltsAt(ASSUMED_PERCENT), 24, 25);
    }

    /** Where operations begin; those too close to the one before are left out. */
    private static List<Mark> marks(List<Stretch> stretches, int seconds) {
        List<Mark> marks = new ArrayList<>();
        int at = 0;
        int last = -LEAST_MARK_GAP;
        for (Stretch stretch : stretches) {
            int x = River.LEFT + (int) ((long) at * River.WIDTH / Math.max(1, seconds));
            if (x - last >= LEAST_MARK_GAP && x < River.LEFT + River.WIDTH - LEAST_MARK_GAP) {
                marks.add(new Mark(x, stretch.title()));
                last = x;
            }
            at += stretch.load().seconds();
        }
        return marks;
    }

    private static String text(String form, Object... values) {
        return String.format(Locale.ROOT, form, values);
    }
}
