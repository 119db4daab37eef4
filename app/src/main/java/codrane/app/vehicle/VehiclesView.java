package codrane.app.vehicle;

import codrane.app.job.Vehicles;
import codrane.core.vin.Vin;
import java.time.Instant;
import java.util.List;
import java.util.function.Function;

/**
 * The page of all vehicles.
 *
 * @param asked what was searched for
 * @param said what is to be said about what was found; empty when it speaks for itself
 */
record VehiclesView(String asked, List<Line> vehicles, String said) {
    /** As many as are listed at once. */
    private static final int MOST = 100;

    record Line(Vin vin, String model, long jobs, long open, long baselines, String lastSeen) {}

    /** @param when an instant in the workshop's words */
    static VehiclesView of(String asked, List<Vehicles.Line> found, Function<Instant, String> when) {
        List<Line> lines = found.stream()
                .map(v -> new Line(v.vin(), v.model(), v.jobs(), v.open(), v.baselines(), when.apply(v.lastSeen())))
                .toList();
        return new VehiclesView(asked, lines, said(asked, lines.size()));
    }

    private static String said(String asked, int found) {
        if (found >= MOST) return "These are the 100 seen last: search for others.";
        if (found > 0) return "";
        return asked.isEmpty() ? "No vehicle was taken in yet." : "No vehicle is like “" + asked + "”.";
    }
}
