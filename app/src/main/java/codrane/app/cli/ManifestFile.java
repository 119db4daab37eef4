package codrane.app.cli;

import codrane.app.cli.Main.UsageException;
import codrane.app.shelf.ManifestReader;
import codrane.core.calibration.Manifest;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Optional;

/** A manifest beside its file: the same name, ending in {@code .json}. */
final class ManifestFile {
    private static final long LONGEST = 1L << 20;

    private ManifestFile() {}

    /** Where it would be; empty when the file itself is named so. */
    static Optional<Path> beside(Path file) {
        String name = String.valueOf(file.getFileName());
        int dot = name.lastIndexOf('.');
        Path json = file.resolveSibling((dot < 1 ? name : name.substring(0, dot)) + ".json");
        return json.equals(file) ? Optional.empty() : Optional.of(json);
    }

    /** @throws UsageException when it is no manifest, naming the member */
    static Manifest read(Path file) throws IOException {
        try {
            return ManifestReader.read(InputFile.json(file, LONGEST));
        } catch (IllegalArgumentException e) {
            throw new UsageException(file + ": " + e.getMessage());
        }
    }
}
