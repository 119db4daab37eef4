package codrane.core.calibration;

import codrane.core.octets.Bytes;
import codrane.core.octets.Bytes.Sink;
import java.nio.charset.StandardCharsets;

/**
 * Writes images as Intel HEX (types 00, 01, 04), S-record (S0, S1 to S3, S7 to S9) or raw binary; 32 data octets a line,
 * LF line ends.
 */
public final class CalibrationWriter {
    private static final int LINE = 32;
    private static final int CHUNK = 1 << 16;

    private CalibrationWriter() {}

    public static byte[] intelHex(MemoryImage image) {
        StringBuilder out = new StringBuilder();
        intelHex(image, octets -> out.append(new String(octets, StandardCharsets.US_ASCII)));
        return out.toString().getBytes(StandardCharsets.US_ASCII);
    }

    public static byte[] sRecord(MemoryImage image) {
        StringBuilder out = new StringBuilder();
        sRecord(image, 4, octets -> out.append(new String(octets, StandardCharsets.US_ASCII)));
        return out.toString().getBytes(StandardCharsets.US_ASCII);
    }

    public static <E extends Exception> void intelHex(MemoryImage image, Sink<E> out) throws E {
        long base = 0;
        for (MemoryImage.Segment segment : image.segments()) {
            for (long at = segment.start(); at < segment.end(); ) {
                if (at >> 16 != base) {
                    base = at >> 16;
                    hexRecord(out, 0, 4, Bytes.of((int) (base >> 8), (int) (base & 0xFF)));
                }
                long pageEnd = (base + 1) << 16;
                int length = (int) Math.min(LINE, Math.min(segment.end(), pageEnd) - at);
                hexRecord(out, (int) (at & 0xFFFF), 0, image.read(at, length));
                at += length;
            }
        }
        hexRecord(out, 0, 1, Bytes.EMPTY);
    }

    /** @param addressOctets 2 (S1, S9), 3 (S2, S8) or 4 (S3, S7); every address must fit */
    public static <E extends Exception> void sRecord(MemoryImage image, int addressOctets, Sink<E> out) throws E {
        sRecordLine(out, '0', Bytes.of(0, 0));
        for (MemoryImage.Segment segment : image.segments()) {
            for (long at = segment.start(); at < segment.end(); at += LINE) {
                int length = (int) Math.min(LINE, segment.end() - at);
                sRecordLine(
                        out,
                        (char) ('0' + addressOctets - 1),
                        address(at, addressOctets).plus(image.read(at, length)));
            }
        }
        sRecordLine(out, (char) ('0' + 11 - addressOctets), address(0, addressOctets));
    }

    /** The first segment's octets alone: binary tells no address. */
    static <E extends Exception> void binary(MemoryImage image, Sink<E> out) throws E {
        MemoryImage.Segment segment = image.segments().getFirst();
        for (long at = segment.start(); at < segment.end(); at += CHUNK)
            image.read(at, (int) Math.min(CHUNK, segment.end() - at)).to(out);
    }

    private static <E extends Exception> void hexRecord(Sink<E> out, int address, int type, Bytes data) throws E {
        Bytes record =
                Bytes.of(data.length(), address >> 8, address & 0xFF, type).plus(data);
        line(out, ":" + record.hex() + "%02X\n".formatted(-sum(record) & 0xFF));
    }

    private static <E extends Exception> void sRecordLine(Sink<E> out, char type, Bytes body) throws E {
        Bytes record = Bytes.of(body.length() + 1).plus(body);
        line(out, "S" + type + record.hex() + "%02X\n".formatted(~sum(record) & 0xFF));
    }

    private static <E extends Exception> void line(Sink<E> out, String text) throws E {
        out.take(text.getBytes(StandardCharsets.US_ASCII));
    }

    private static Bytes address(long at, int octets) {
        Bytes whole =
                Bytes.of((int) (at >> 24 & 0xFF), (int) (at >> 16 & 0xFF), (int) (at >> 8 & 0xFF), (int) (at & 0xFF));
        return whole.from(4 - octets);
    }

    private static int sum(Bytes record) {
        int sum = 0;
        for (int i = 0; i < record.length(); i++) sum += record.u8(i);
        return sum;
    }

    /** An image of one segment. */
    public static MemoryImage image(long start, byte[] data) {
        MemoryImage image = new MemoryImage();
        image.put(start, data);
        return image;
    }
}
