package codrane.bench;

import codrane.core.pack.Pack;
import codrane.core.pack.PackLoader;
import codrane.core.pack.PackResult;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;

/** Packs for measurements. */
final class BenchPacks {
    private BenchPacks() {}

    /** @throws IllegalStateException when the pack is bad */
    static Pack load(Path file) throws IOException {
        return switch (PackLoader.load(file.toString(), Files.readString(file))) {
            case PackResult.Loaded(Pack pack) -> pack;
            case PackResult.Invalid invalid ->
                throw new IllegalStateException(invalid.problems().getFirst().sentence());
        };
    }
}
