package codrane.link.file;

import codrane.core.octets.PagedMemory;
import codrane.core.octets.Source;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.Optional;
import java.util.UUID;

/**
 * Pages of a memory that is too large for the heap. The file is made when the first page comes, and is nobody's but this
 * object's: its name goes at once, its room when the object does.
 */
public final class ScratchFile implements PagedMemory.Backing {
    private final Path folder;
    private Optional<FileChannel> channel = Optional.empty();

    /** @param folder made when it is not there */
    public ScratchFile(Path folder) {
        this.folder = folder;
    }

    /** In the system's folder for what is temporary. */
    public static ScratchFile temporary() {
        return new ScratchFile(Path.of(System.getProperty("java.io.tmpdir")));
    }

    @Override
    public void save(long page, byte[] octets) {
        try {
            ByteBuffer buffer = ByteBuffer.wrap(octets);
            for (long at = page * PagedMemory.PAGE; buffer.hasRemaining(); ) at += opened().write(buffer, at);
        } catch (IOException e) {
            throw new Source.UnreadableException("no room in " + folder + " for what was read", e);
        }
    }

    @Override
    public void load(long page, byte[] into) {
        try {
            FileSource.fill(opened(), page * PagedMemory.PAGE, ByteBuffer.wrap(into));
        } catch (IOException e) {
            throw new Source.UnreadableException("what was put into " + folder + " can't be read any more", e);
        }
    }

    private FileChannel opened() throws IOException {
        if (channel.isEmpty()) {
            Files.createDirectories(folder);
            channel = Optional.of(FileChannel.open(
                    folder.resolve("codrane-" + UUID.randomUUID()),
                    StandardOpenOption.CREATE_NEW,
                    StandardOpenOption.READ,
                    StandardOpenOption.WRITE,
                    StandardOpenOption.SPARSE,
                    StandardOpenOption.DELETE_ON_CLOSE));
        }
        return channel.get();
    }
}
