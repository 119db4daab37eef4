package codrane.core.pack;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;

/** The shipped packs, for tests. */
public final class Packs {
    /** By their text: to read one takes longer than most tests. */
    private static final Map<String, Pack> READ = new ConcurrentHashMap<>();

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

    public static String text(String id) {
        try {
            return Files.readString(Path.of("..", "packs", id + ".yaml"));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    public static Pack load(String id) {
        return read(id, text(id));
    }

    /** A shipped pack with something else in some places: what stands there, and what is to. */
    public static Pack changed(String id, String... fromTo) {
        String text = text(id);
        for (int i = 0; i < fromTo.length; i += 2) {
            if (!text.contains(fromTo[i])) throw new IllegalArgumentException(id + " has no " + fromTo[i]);
            text = text.replace(fromTo[i], fromTo[i + 1]);
        }
        return read(id, text);
    }

    private static Pack read(String id, String yaml) {
        return READ.computeIfAbsent(yaml, text -> switch (PackLoader.load(id + ".yaml", text)) {
            case PackResult.Loaded(Pack pack) -> pack;
            case PackResult.Invalid invalid -> throw new IllegalStateException(invalid.toString());
        });
    }
}
