package codrane.core.pack;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;

/** The shipped packs, for tests. */
public final class Packs {
    private Packs() {}

    public static Pack lorne() {
        return load("brennick-lorne");
    }

    public static Pack wisp() {
        return load("tolvane-wisp");
    }

    static String text(String id) {
        try {
            return Files.readString(Path.of("..", "packs", id + ".yaml"));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static Pack load(String id) {
        return switch (PackLoader.load(id + ".yaml", text(id))) {
            case PackResult.Loaded(Pack pack) -> pack;
            case PackResult.Invalid invalid -> throw new IllegalStateException(invalid.toString());
        };
    }
}
