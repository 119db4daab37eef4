package codrane.app.vehicle;

import codrane.app.baseline.Baselines;
import codrane.app.records.ChangeLedger;
import codrane.core.baseline.BaselineFile;
import codrane.core.baseline.BaselineSummary;
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
 * @param written whether Codrane wrote it and read it back, and no baseline was taken since
 * @param changed whether the baseline before knew it otherwise
 */
public record ModuleLife(
        String title, String serial, String software, String counter, Instant seen, boolean changed, boolean written) {
    private static final int MOST_BASELINES = 12;

    /** @param changes of the vehicle, newest first: software that was written since the newest baseline counts */
    static List<ModuleLife> of(Pack pack, Baselines baselines, long vehicleId, List<ChangeLedger.Change> changes) {
        List<BaselineSummary> newestFirst =
                baselines.ofVehicle(vehicleId).stream().limit(MOST_BASELINES).toList();
        List<ModuleLife> lives = new ArrayList<>();
        for (PackModule module : pack.modules().values()) {
            List<ModuleLife> read = of(module, baselines, newestFirst);
            changes.stream()
                    .filter(c -> c.module().equals(module.id()) && c.dataIdentifier() == null)
                    .filter(c -> newestFirst.isEmpty()
                            || c.at().isAfter(newestFirst.getFirst().takenAt()))
                    .findFirst()
                    .flatMap(c -> written(module, read, c))
                    .ifPresent(lives::add);
            lives.addAll(read);
        }
        return lives;
    }

    private static Optional<ModuleLife> written(PackModule module, List<ModuleLife> read, ChangeLedger.Change change) {
        boolean known = !read.isEmpty() && read.getFirst().software().equals(change.after());
        if (known) return Optional.empty();
        String serial = read.isEmpty() ? "not told" : read.getFirst().serial();
        return Optional.of(
                new ModuleLife(module.title(), serial, change.after(), "not read since", change.at(), true, true));
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
                    !lives.isEmpty(),
                    false);
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
