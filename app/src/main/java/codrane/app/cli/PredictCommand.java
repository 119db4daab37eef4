package codrane.app.cli;

import codrane.app.cli.Main.UsageException;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import codrane.standin.Rehearsal;
import java.io.IOException;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.TypeConversionException;

/** {@code predict --pack NAME --module M --bytes N [--json]}: how long a programming takes, predicted and simulated. */
@Command(name = "predict", description = "How long a programming takes, predicted and simulated.")
final class PredictCommand extends Asked {
    private static final int MOST_BYTES = 64_000_000;

    @Option(names = "--pack", paramLabel = "NAME", required = true)
    private String packName;

    @Option(names = "--module", paramLabel = "M", required = true)
    private String module;

    @Option(names = "--bytes", paramLabel = "N", required = true, description = "octets that are programmed")
    private String wanted;

    private record Told(
            String pack,
            String module,
            int bytes,
            double predictedSeconds,
            double simulatedSeconds,
            Optional<Double> busUse,
            Optional<Double> busShare) {}

    @Override
    public Integer call() throws IOException {
        Pack pack = PackFiles.named(packName);
        PackModule.Flash flash = PackFiles.programmable(pack, module).flash().orElseThrow();
        int least = (int) (Math.max(end(flash.version()), end(flash.hardware()))
                - flash.segment().start());
        int bytes = bytes(least);
        Rehearsal r = Rehearsal.of(pack, module, bytes);
        Told told = new Told(
                pack.id(),
                module,
                bytes,
                rounded(r.predictedSeconds()),
                rounded(r.simulatedSeconds()),
                rounded(r.busUse()),
                rounded(r.busShare()));
        String text = String.format(
                Locale.ROOT,
                "%d octets: %.1f s predicted, %.1f s simulated, erase to verify. %s",
                bytes,
                r.predictedSeconds(),
                r.simulatedSeconds(),
                used(r.busUse()));
        output().result("predict", told, text);
        return Main.GOOD;
    }

    private int bytes(int least) {
        try {
            return Numbers.between(wanted, least, MOST_BYTES);
        } catch (TypeConversionException e) {
            throw new UsageException("--bytes: " + InputFile.quoted(wanted) + " (" + e.getMessage() + ")");
        }
    }

    private static long end(PackModule.Range range) {
        return range.start() + range.length();
    }

    private static String used(OptionalDouble busUse) {
        return busUse.isEmpty()
                ? "The use of a bus is not defined: this vehicle has none to its modules."
                : String.format(
                        Locale.ROOT, "%.1f %% of what bus and module allow is used.", 100 * busUse.getAsDouble());
    }

    private static Optional<Double> rounded(OptionalDouble value) {
        return value.isPresent() ? Optional.of(rounded(value.getAsDouble())) : Optional.empty();
    }

    private static double rounded(double value) {
        return Math.round(value * 10_000) / 10_000.0;
    }
}
