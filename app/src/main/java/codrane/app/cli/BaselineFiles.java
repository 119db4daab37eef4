package codrane.app.cli;

import codrane.app.cli.Main.UsageException;
import codrane.core.baseline.BaselineFile;
import codrane.core.baseline.CanonicalJson;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Optional;

/** Exported baselines. */
final class BaselineFiles {
    private static final long LONGEST = 32L << 20;

    private BaselineFiles() {}

    /**
     * A file as it was read.
     *
     * @param canonical whether the text is exactly as Codrane writes it
     */
    record Loaded(String text, BaselineFile.Read read, boolean canonical) {}

    static Loaded load(Path file) throws IOException {
        String text = InputFile.text(file, LONGEST);
        try {
            Object tree = InputFile.tree(file, text);
            return new Loaded(
                    text,
                    BaselineFile.read(tree),
                    canonical(tree).filter(text::equals).isPresent());
        } catch (UsageException e) {
            return new Loaded(text, new BaselineFile.Read.Bad(e.getMessage()), false);
        }
    }

    private static Optional<String> canonical(Object tree) {
        try {
            return Optional.of(CanonicalJson.of(tree));
        } catch (IllegalArgumentException e) {
            return Optional.empty(); // holds what a baseline never does, such as fractions
        }
    }

    /** @throws UsageException when it is none */
    static BaselineFile named(String name) throws IOException {
        Path file = InputFile.path(name);
        return switch (load(file).read()) {
            case BaselineFile.Read.File(BaselineFile baseline) -> baseline;
            case BaselineFile.Read.Bad(String reason) -> throw new UsageException(file + ": " + reason);
        };
    }
}
