package codrane.core.pack;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;

/** The shipped packs, for tests. */
public final class Packs {
    private Packs() {}

    public static Pack lorne() {
        return load("brennick-lorne");
    }

    public static Pack wisp() {
        return load("tolvane-wisp");
    }

    /** Ids of all shipped packs. */
    public static List<String> all() {
        return List.of(
                "ardwyn-gannet",
                "brennick-almery",
                "brennick-lorne",
                "peregil-dunlin",
                "tolvane-chorus",
                "tolvane-wisp");
    }

    static String text(String id) {
        try {
            return Files.readString(Path.of("..", "packs", id + ".yaml"));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    public static Pack load(String id) {
        return read(id, text(id));
    }

    /** A shipped pack with something else in one place. */
    public static Pack changed(String id, String from, String to) {
        if (!text(id).contains(from)) throw new IllegalArgumentException(id + " has no " + from);
        return read(id, text(id).replace(from, to));
    }

    private static Pack read(String id, String yaml) {
        return switch (PackLoader.load(id + ".yaml", yaml)) {
            case PackResult.Loaded(Pack pack) -> pack;
            case PackResult.Invalid invalid -> throw new IllegalStateException(invalid.toString());
        };
    }
}
