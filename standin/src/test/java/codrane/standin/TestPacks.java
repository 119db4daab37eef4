package codrane.standin;

import codrane.core.pack.Pack;
import codrane.core.pack.PackLoader;
import codrane.core.pack.PackResult;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;

/** The shipped packs, for tests. */
public final class TestPacks {
    private TestPacks() {}

    public static Pack load(String id) {
        try {
            String yaml = Files.readString(Path.of("..", "packs", id + ".yaml"));
            return ((PackResult.Loaded) PackLoader.load(id, yaml)).pack();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
