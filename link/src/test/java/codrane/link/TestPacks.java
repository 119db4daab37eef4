package codrane.link;

import codrane.core.pack.Pack;
import codrane.core.pack.PackLoader;
import codrane.core.pack.PackResult;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;

/** The shipped packs, for tests. */
public final class TestPacks {
    /** To read one takes longer than most tests. */
    private static final Map<String, Pack> READ = new ConcurrentHashMap<>();

    private TestPacks() {}

    public static Pack load(String id) {
        return READ.computeIfAbsent(id, TestPacks::read);
    }

    private static Pack read(String id) {
        try {
            String yaml = Files.readString(Path.of("..", "packs", id + ".yaml"));
            return ((PackResult.Loaded) PackLoader.load(id, yaml)).pack();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
