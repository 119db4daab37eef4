package codrane.app.stage.decide;

import codrane.app.web.ForecastPicture;
import codrane.app.web.ForecastPicture.Mark;
import codrane.app.web.River;
import codrane.core.job.BenchNotes.BatteryNote;
import codrane.core.job.JobState;
import codrane.core.plan.Plan;
import codrane.core.plan.PowerNeed;
import codrane.core.plan.PowerNeed.Stretch;
import codrane.core.power.Battery;
import codrane.core.power.Chemistry;
import codrane.core.power.PowerForecast;
import codrane.core.power.PowerForecast.Curve;
import codrane.core.power.PowerForecast.Load;
import codrane.core.power.PowerForecast.SupportUnit;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/**
 * The voltage over the whole run of a plan, with and without the support unit.
 *
 * @param measured false: the pack's battery was taken, at rest and three quarters full, since nobody measured it
 */
public record PowerPicture(
        String verdict,
        boolean go,
        String reason,
        boolean measured,
        Map<String, String> facts,
        ForecastPicture picture) {
    private static final double ASSUMED_PERCENT = 75;
    private static final int ASSUMED_UNIT_A = 90;
    private static final int LEAST_MARK_GAP = 170;
    private static final int LONGEST_TITLE = 22;

    /** Empty when the plan writes nothing. */
    static Optional<PowerPicture> of(JobState state, Plan plan) {
        if (plan.writes().findAny().isEmpty()) return Optional.empty();
        List<Stretch> stretches = PowerNeed.stretches(state.pack(), plan.operations());
        List<Load> loads = stretches.stream().map(Stretch::load).toList();
        Optional<BatteryNote> note = state.benched().notes().battery();
        Battery battery = note.map(BatteryNote::battery).orElseGet(() -> assumed(state));
        Optional<SupportUnit> unit = note.map(BatteryNote::supportUnit)
                .orElseGet(() -> Optional.of(new SupportUnit(state.window().start() + 0.3, ASSUMED_UNIT_A)));
        PowerForecast forecast = PowerForecast.of(battery, unit, loads, state.window());
        int seconds = loads.stream().mapToInt(Load::seconds).sum();
        return Optional.of(new PowerPicture(
                forecast.decision().name().toLowerCase(Locale.ROOT),
                forecast.decision() == PowerForecast.Decision.GO,
                forecast.reason(),
                note.isPresent(),
                facts(forecast),
                ForecastPicture.of(forecast, state.window(), marks(stretches, seconds), (seconds + 59) / 60)));
    }

    private static Map<String, String> facts(PowerForecast forecast) {
        Curve alone = forecast.withoutUnit();
        Curve real = forecast.withUnit().orElse(alone);
        String gains =
                real.usedAh() < 0 ? text("the battery gains %.1f Ah", -real.usedAh()) : text("%.1f Ah", real.usedAh());
        Map<String, String> facts = new LinkedHashMap<>();
        facts.put("Support unit", text("%.0f A at least", forecast.ratingA()));
        facts.put("Least voltage", text("%.2f V with the unit, %.2f V without", real.leastVolts(), alone.leastVolts()));
        facts.put("Charge used", text("%.1f Ah without the unit; with it ", alone.usedAh()) + gains);
        return facts;
    }

    private static Battery assumed(JobState state) {
        Chemistry chemistry = Chemistry.of(state.pack().supply().chemistry()).orElseThrow();
        return new Battery(chemistry, state.pack().supply().capacityAh(), chemistry.voltsAt(ASSUMED_PERCENT), 24, 25);
    }

    /** Where operations begin; those too close to the one before are left out. */
    private static List<Mark> marks(List<Stretch> stretches, int seconds) {
        List<Mark> marks = new ArrayList<>();
        int at = 0;
        int last = -LEAST_MARK_GAP;
        for (Stretch stretch : stretches) {
            long x = River.LEFT + (long) at * River.WIDTH / Math.max(1, seconds);
            if (x - last >= LEAST_MARK_GAP && x < River.LEFT + River.WIDTH - LEAST_MARK_GAP) {
                last = Math.toIntExact(x);
                marks.add(new Mark(last, cut(stretch.title())));
            }
            at += stretch.load().seconds();
        }
        return marks;
    }

    private static String cut(String title) {
        return title.length() > LONGEST_TITLE ? title.substring(0, LONGEST_TITLE - 1) + "…" : title;
    }

    private static String text(String form, Object... values) {
        return String.format(Locale.ROOT, form, values);
    }
}
