package codrane.bench;

import codrane.core.pack.Pack;
import codrane.core.pack.PackLoader;
import codrane.core.pack.PackModule;
import codrane.core.pack.PackResult;
import codrane.core.plan.ProgrammingSeconds;
import codrane.core.run.RunAction;
import codrane.core.run.RunState;
import codrane.standin.Conditions;
import codrane.standin.VirtualWorkshop;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;

/**
 * Programs the demo's tail lift over the simulated bus in virtual time.
 *
 * @param bytes programmed
 * @param simulatedSeconds on the bus, from first to last frame
 * @param realSeconds that the machine needed
 * @param busShare of the simulated time in which a frame was on the bus, 0..1
 * @param predictedSeconds by the pack's figures, which do not know the module's own deviation
 */
public record ProgrammingMeasurement(
        int bytes, double simulatedSeconds, double realSeconds, double busShare, double predictedSeconds) {
    /** @throws IllegalStateException when the pack is bad or the run does not finish */
    public static ProgrammingMeasurement take(Path packFile) throws IOException {
        if (!(PackLoader.load(packFile.toString(), Files.readString(packFile))
                instanceof PackResult.Loaded(Pack pack))) {
            throw new IllegalStateException("bad pack: " + packFile);
        }
        PackModule lift = pack.module("tail-lift");
        VirtualWorkshop workshop = new VirtualWorkshop(Conditions.usedTailLift(pack));
        RunState program = RunState.begin(List.of(workshop.tasksFor("tail-lift").getFirst()));
        long began = System.nanoTime();
        RunAction end = workshop.run(program, VirtualWorkshop.noJournal());
        double real = (System.nanoTime() - began) / 1e9;
        if (!(end instanceof RunAction.Finished)) throw new IllegalStateException("the run did not finish: " + end);
        double simulated = workshop.bus().clock() / 1e9;
        return new ProgrammingMeasurement(
                lift.flash().orElseThrow().segment().length(),
                simulated,
                real,
                workshop.bus().busyNanos() / 1e9 / simulated,
                predicted(pack, lift));
    }

    private static double predicted(Pack pack, PackModule module) {
        return ProgrammingSeconds.estimate(pack, module.flash().orElseThrow())
                        .total()
                        .toMillis()
                / 1000.0;
    }

    public static void main(String[] args) throws IOException {
        Path pack = Path.of(args.length > 0 ? args[0] : "packs/brennick-lorne.yaml");
        take(pack); // warms the machine up
        for (int i = 0; i < 3; i++) {
            ProgrammingMeasurement m = take(pack);
            System.out.printf(
                    Locale.ROOT,
                    "%d octets: %.1f s simulated in %.2f s (%.0f times faster), bus in use %.1f %%, predicted %.1f s (%+.1f %%)%n",
                    m.bytes(),
                    m.simulatedSeconds(),
                    m.realSeconds(),
                    m.simulatedSeconds() / m.realSeconds(),
                    100 * m.busShare(),
                    m.predictedSeconds(),
                    100 * (m.predictedSeconds() / m.simulatedSeconds() - 1));
        }
    }
}
