package codrane.link.file;

import codrane.core.octets.Source;
import java.io.InputStream;

/** Octets as a stream, from the first to the last. */
public final class SourceStream extends InputStream {
    private final Source source;
    private long at;

    public SourceStream(Source source) {
        this.source = source;
    }

    @Override
    public int read() {
        byte[] octet = new byte[1];
        return read(octet, 0, 1) < 0 ? -1 : octet[0] & 0xFF;
    }

    @Override
    public int read(byte[] into, int offset, int length) {
        if (at >= source.length()) return length == 0 ? 0 : -1;
        byte[] octets = new byte[(int) Math.min(length, source.length() - at)];
        source.read(at, octets, octets.length);
        System.arraycopy(octets, 0, into, offset, octets.length);
        at += octets.length;
        return octets.length;
    }
}
