package codrane.app.stage.bench;

import codrane.app.web.ForecastPicture;
import codrane.core.baseline.BaselineEstimate;
import codrane.core.job.BenchNotes.BatteryNote;
import codrane.core.job.JobState;
import codrane.core.pack.Pack;
import codrane.core.power.Battery;
import codrane.core.power.PowerForecast;
import codrane.core.power.PowerForecast.Load;
import codrane.core.power.PowerWindow;
import codrane.core.power.StateOfCharge;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/** What the measured battery means for this job. */
public record PowerView(String verdict, boolean go, String reason, Map<String, String> facts, ForecastPicture picture) {
    private static final int WORK_SECONDS = 600;
    private static final int LONGEST_KEY_MINUTES = 120;
    private static final double HALF = 50;
    private static final double ABOVE_START = 0.3;

    static PowerView of(JobState state, BatteryNote note) {
        Battery battery = note.battery();
        List<Load> loads = loads(state);
        PowerWindow window = state.window();
        PowerForecast forecast = PowerForecast.of(battery, note.supportUnit(), loads, window);
        int seconds = loads.stream().mapToInt(Load::seconds).sum();
        StateOfCharge charge = forecast.charge();
        Map<String, String> facts = new LinkedHashMap<>();
        facts.put("Charge", text("%.0f %%, between %.0f and %.0f %%", charge.percent(), charge.low(), charge.high()));
        facts.put(
                "Support unit",
                text(
                        "%.0f A at least, set to %.1f V",
                        forecast.ratingA(), Math.min(window.upper(), window.start() + ABOVE_START)));
        facts.put("Key on without it", key(charge, battery, state.pack()));
        return new PowerView(
                forecast.decision().name().toLowerCase(Locale.ROOT),
                forecast.decision() == PowerForecast.Decision.GO,
                forecast.reason(),
                facts,
                ForecastPicture.of(forecast, window, List.of(), seconds / 60));
    }

    /** Reading with the key on, then writing if there is a plan. */
    private static List<Load> loads(JobState state) {
        Pack pack = state.pack();
        int reading = (int) BaselineEstimate.of(pack, pack.modules().values()).toSeconds() + WORK_SECONDS;
        List<Load> loads =
                new ArrayList<>(List.of(new Load(reading, pack.supply().keyOnA())));
        if (state.writingSeconds() > 0)
            loads.add(new Load(state.writingSeconds(), pack.supply().programmingA()));
        return loads;
    }

    /** How long the key may be on: until half of the battery is used, by the lower end of what it may hold. */
    private static String key(StateOfCharge charge, Battery battery, Pack pack) {
        double usableAh = Math.max(0, charge.low() - HALF) / 100 * battery.capacityAh();
        int minutes = (int) (60 * usableAh / Math.max(0.1, pack.supply().keyOnA()));
        if (minutes > LONGEST_KEY_MINUTES) return "two hours and more";
        return minutes == 0
                ? "not at all: the battery is half empty or worse"
                : "at most " + minutes + " min, then the battery is half empty";
    }

    private static String text(String form, Object... values) {
        return String.format(Locale.ROOT, form, values);
    }
}
