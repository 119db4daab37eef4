package codrane.app.shelf;

import codrane.core.calibration.Manifest;
import codrane.core.octets.Source;
import codrane.link.file.FileSource;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.locks.ReentrantLock;
import java.util.function.Function;
import java.util.function.LongConsumer;

/** What came of a file so far, kept beside the database under the hash that the whole must have. */
final class PartialFile {
    private static final int BUFFER = 64 * 1024;

    private final Path path;

    private PartialFile(Path path) {
        this.path = path;
    }

    /** Where they lie; made when it is needed. */
    static final class Room {
        private final Path directory;
        private final Map<String, ReentrantLock> locks = new ConcurrentHashMap<>();

        Room(Path directory) {
            this.directory = directory;
        }

        /** Two jobs that want the same file get it one after the other: what comes for one is not mixed with the other's. */
        <T> T alone(Manifest manifest, Function<PartialFile, T> download) {
            String name = manifest.sha256().replaceAll("[^0-9a-f]", "_");
            ReentrantLock lock = locks.computeIfAbsent(name, n -> new ReentrantLock());
            lock.lock();
            try {
                return download.apply(new PartialFile(directory.resolve(name)));
            } finally {
                lock.unlock();
            }
        }
    }

    /** Where a download goes on; at the beginning when as much as the whole is here, which should have been taken. */
    long goesOnAt(long whole) throws IOException {
        if (length() >= whole) discard();
        return length();
    }

    /** Octets that are here. */
    long length() {
        try {
            return Files.exists(path) ? Files.size(path) : 0;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    void discard() throws IOException {
        Files.deleteIfExists(path);
    }

    /**
     * Adds what comes until all is here. What is longer than it should be stays so: whoever checks it says so.
     *
     * @throws IOException when less came than is missing; it stays here
     */
    void fill(InputStream in, long whole, LongConsumer progress) throws IOException {
        Files.createDirectories(path.toAbsolutePath().getParent());
        long there = length();
        byte[] buffer = new byte[BUFFER];
        try (OutputStream out = Files.newOutputStream(path, StandardOpenOption.CREATE, StandardOpenOption.APPEND)) {
            for (int n = in.read(buffer); n >= 0 && there <= whole; n = in.read(buffer)) {
                out.write(buffer, 0, n);
                there += n;
                progress.accept(there);
            }
        }
        if (there < whole) throw new IOException(there + " of " + whole + " bytes came");
    }

    /** The whole, as long as it is used; then it is forgotten, whatever became of it. */
    <T> T with(Function<Source, T> use) {
        try (FileSource source = new FileSource(path)) {
            return use.apply(source);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } finally {
            discarded();
        }
    }

    private void discarded() {
        try {
            discard();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
