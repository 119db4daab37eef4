package codrane.app.cli;

import codrane.app.cli.Main.UsageException;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import codrane.standin.Rehearsal;
import java.io.IOException;
import java.util.Locale;
import java.util.Map;

/** {@code predict --pack NAME --module M --bytes N [--json]}: how long a programming takes, predicted and simulated. */
final class PredictCommand {
    private static final int MOST_BYTES = 64_000_000;

    private PredictCommand() {}

    static int run(Arguments arguments, Output output) throws IOException {
        arguments.take(1);
        Pack pack = PackFiles.named(arguments.needed("--pack"));
        String module = arguments.needed("--module");
        PackModule.Flash flash = flash(pack, module);
        int least = (int) (Math.max(end(flash.version()), end(flash.hardware()))
                - flash.segment().start());
        int bytes = arguments
                .number("--bytes", least, MOST_BYTES)
                .orElseThrow(() -> new UsageException("--bytes is missing"));
        arguments.end();
        Rehearsal r = Rehearsal.of(pack, module, bytes);
        Map<String, Object> object = Output.object("predict");
        object.put("pack", pack.id());
        object.put("module", module);
        object.put("bytes", bytes);
        object.put("predictedSeconds", rounded(r.predictedSeconds()));
        object.put("simulatedSeconds", rounded(r.simulatedSeconds()));
        object.put("busUse", rounded(r.busUse()));
        object.put("busShare", rounded(r.busShare()));
        output.result(
                object,
                String.format(
                        Locale.ROOT,
                        "%d octets: %.1f s predicted, %.1f s simulated, erase to verify. %.1f %% of what bus and module allow is used.",
                        bytes,
                        r.predictedSeconds(),
                        r.simulatedSeconds(),
                        100 * r.busUse()));
        return Main.GOOD;
    }

    private static PackModule.Flash flash(Pack pack, String module) {
        if (!pack.modules().containsKey(module)) throw new UsageException("--module: this pack has no " + module);
        return pack.module(module)
                .flash()
                .orElseThrow(() -> new UsageException("--module: " + module + " can't be programmed"));
    }

    private static long end(PackModule.Range range) {
        return range.start() + range.length();
    }

    private static double rounded(double value) {
        return Math.round(value * 10_000) / 10_000.0;
    }
}
