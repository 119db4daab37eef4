package codrane.link.file;

import codrane.core.octets.Source;
import java.io.EOFException;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;

/** A file's octets; as long as it was when it was opened. */
public final class FileSource implements Source, AutoCloseable {
    private final Path path;
    private final FileChannel channel;
    private final long length;

    public FileSource(Path path) throws IOException {
        this.path = path;
        channel = FileChannel.open(path, StandardOpenOption.READ);
        length = channel.size();
    }

    @Override
    public long length() {
        return length;
    }

    @Override
    public void read(long at, byte[] into, int wanted) {
        try {
            fill(channel, at, ByteBuffer.wrap(into, 0, wanted));
        } catch (IOException e) {
            throw new UnreadableException(path + " can't be read any more", e);
        }
    }

    /** Reads until the buffer is full. */
    static void fill(FileChannel channel, long from, ByteBuffer into) throws IOException {
        for (long at = from; into.hasRemaining(); ) {
            int came = channel.read(into, at);
            if (came < 0) throw new EOFException("it is shorter than it was");
            at += came;
        }
    }

    @Override
    public void close() throws IOException {
        channel.close();
    }
}
