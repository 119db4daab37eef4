package codrane.bench;

import codrane.core.pack.Pack;
import codrane.standin.Rehearsal;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Locale;
import java.util.OptionalDouble;

/** Programs modules in virtual time: how much faster than real, how much of the bus is used, how near the prediction. */
public final class SimulationMeasurement {
    private static final int SIX_MEGABYTES = 6_000_000;
    private static final int ROUNDS = 4;

    private SimulationMeasurement() {}

    public static void main(String[] args) throws IOException {
        for (String which : new String[] {
            "brennick-lorne tail-lift", "ardwyn-gannet engine", "peregil-dunlin engine", "tolvane-chorus doors"
        }) {
            Pack pack = BenchPacks.load(Path.of("packs", which.split(" ")[0] + ".yaml"));
            for (int i = 0; i < ROUNDS; i++) tell(which, Rehearsal.of(pack, which.split(" ")[1], SIX_MEGABYTES));
        }
    }

    private static void tell(String which, Rehearsal r) {
        System.out.printf(
                Locale.ROOT,
                "%s: %d octets, %.1f s simulated in %.2f s (%.0f times faster), bus use %s, frame on the bus %s,"
                        + " predicted %.1f s (%+.1f %%)%n",
                which,
                r.bytes(),
                r.wholeSeconds(),
                r.realSeconds(),
                r.wholeSeconds() / r.realSeconds(),
                percent(r.busUse()),
                percent(r.busShare()),
                r.predictedSeconds(),
                100 * (r.predictedSeconds() / r.simulatedSeconds() - 1));
    }

    private static String percent(OptionalDouble share) {
        return share.isPresent() ? String.format(Locale.ROOT, "%.1f %%", 100 * share.getAsDouble()) : "without a bus";
    }
}
