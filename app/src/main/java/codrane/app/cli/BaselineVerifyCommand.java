package codrane.app.cli;

import codrane.app.cli.BaselineFiles.Loaded;
import codrane.core.baseline.Baseline;
import codrane.core.baseline.BaselineFile;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Locale;
import java.util.Optional;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** {@code baseline verify FILE [--sha256 HASH] [--json]}: whether an exported baseline is as it was written. */
@Command(name = "verify", description = "Whether an exported baseline is as it was written.")
final class BaselineVerifyCommand extends Asked {
    @Parameters(paramLabel = "FILE")
    private String name;

    @Option(names = "--sha256", paramLabel = "HASH", description = "that was kept")
    private Optional<String> kept = Optional.empty();

    private record Told(
            String file,
            boolean valid,
            String reason,
            String sha256,
            boolean canonical,
            Optional<String> vin,
            Optional<String> pack,
            Optional<String> takenAt,
            Optional<Integer> modules) {}

    @Override
    public Integer call() throws IOException {
        Path file = InputFile.path(name);
        Loaded loaded = BaselineFiles.load(file);
        String sha256 = Baseline.hash(loaded.text());
        String wrong = wrong(loaded, sha256);
        Optional<BaselineFile> baseline =
                loaded.read() instanceof BaselineFile.Read.File(BaselineFile b) ? Optional.of(b) : Optional.empty();
        Told told = new Told(
                file.toString(),
                wrong.isEmpty(),
                wrong.isEmpty() ? "The baseline is as it was written." : wrong,
                sha256,
                loaded.canonical(),
                baseline.map(BaselineFile::vin),
                baseline.map(BaselineFile::pack),
                baseline.map(BaselineFile::takenAt),
                baseline.map(b -> b.modules().size()));
        output().result("baseline-verify", told, told.reason() + " SHA-256 " + sha256);
        return told.valid() ? Main.GOOD : Main.FOUND;
    }

    private String wrong(Loaded loaded, String sha256) {
        if (loaded.read() instanceof BaselineFile.Read.Bad(String what)) return what;
        if (kept.filter(h -> !h.toLowerCase(Locale.ROOT).equals(sha256)).isPresent())
            return "Its hash is not the one that was kept: the file was changed.";
        return loaded.canonical() ? "" : "The text is not as Codrane writes it: the file was edited or laid out anew.";
    }
}
