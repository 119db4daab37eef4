package codrane.app.job;

import codrane.app.baseline.BaselineSummary;
import codrane.app.baseline.Baselines;
import codrane.core.baseline.BaselineFile;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * A module as baselines saw it: one line for each time it was another, or held other software.
 *
 * @param counter how often it says it was programmed
 * @param changed whether the baseline before knew it otherwise
 */
public record ModuleLife(String title, String serial, String software, String counter, Instant seen, boolean changed) {
    private static final int MOST_BASELINES = 12;

    static List<ModuleLife> of(Pack pack, Baselines baselines, long vehicleId) {
        List<BaselineSummary> newestFirst =
                baselines.ofVehicle(vehicleId).stream().limit(MOST_BASELINES).toList();
        List<ModuleLife> lives = new ArrayList<>();
        for (PackModule module : pack.modules().values()) lives.addAll(of(module, baselines, newestFirst));
        return lives;
    }

    private static List<ModuleLife> of(PackModule module, Baselines baselines, List<BaselineSummary> newestFirst) {
        List<ModuleLife> lives = new ArrayList<>();
        for (BaselineSummary summary : newestFirst.reversed()) {
            Optional<BaselineFile.Module> stored = baselines.file(summary.id()).module(module.id());
            if (stored.isEmpty() || stored.get().identification().isEmpty()) continue;
            Map<String, String> ident = stored.get().identification();
            ModuleLife life = new ModuleLife(
                    module.title(),
                    ident.getOrDefault("serial", "not told"),
                    ident.getOrDefault("software", "none"),
                    times(ident.getOrDefault("counter", "")),
                    summary.takenAt(),
                    !lives.isEmpty());
            boolean same = !lives.isEmpty() && lives.getFirst().sameAs(life);
            if (!same) lives.addFirst(life);
        }
        return lives;
    }

    private static String times(String counter) {
        return counter.matches("[0-9A-Fa-f]{2,8}")
                ? (Long.parseLong(counter, 16) == 1 ? "once" : Long.parseLong(counter, 16) + " times")
                : "not told";
    }

    private boolean sameAs(ModuleLife other) {
        return serial.equals(other.serial) && software.equals(other.software) && counter.equals(other.counter);
    }
}
