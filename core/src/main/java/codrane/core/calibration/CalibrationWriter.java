package codrane.core.calibration;

import codrane.core.octets.Bytes;
import java.nio.charset.StandardCharsets;

/** Writes images as Intel HEX (types 00, 01, 04) or S-record (S0, S3, S7), 32 data octets a line, LF line ends. */
public final class CalibrationWriter {
    private static final int LINE = 32;

    private CalibrationWriter() {}

    public static byte[] intelHex(MemoryImage image) {
        StringBuilder out = new StringBuilder();
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
        return out.toString().getBytes(StandardCharsets.US_ASCII);
    }

    public static byte[] sRecord(MemoryImage image) {
        StringBuilder out = new StringBuilder();
        sRecordLine(out, '0', Bytes.of(0, 0));
        for (MemoryImage.Segment segment : image.segments()) {
            for (long at = segment.start(); at < segment.end(); at += LINE) {
                int length = (int) Math.min(LINE, segment.end() - at);
                sRecordLine(out, '3', address(at).plus(image.read(at, length)));
            }
        }
        sRecordLine(out, '7', address(0));
        return out.toString().getBytes(StandardCharsets.US_ASCII);
    }

    private static void hexRecord(StringBuilder out, int address, int type, Bytes data) {
        Bytes record =
                Bytes.of(data.length(), address >> 8, address & 0xFF, type).plus(data);
        out.append(':').append(record.hex()).append("%02X\n".formatted(-sum(record) & 0xFF));
    }

    private static void sRecordLine(StringBuilder out, char type, Bytes body) {
        Bytes record = Bytes.of(body.length() + 1).plus(body);
        out.append('S').append(type).append(record.hex()).append("%02X\n".formatted(~sum(record) & 0xFF));
    }

    private static Bytes address(long at) {
        return Bytes.of((int) (at >> 24), (int) (at >> 16 & 0xFF), (int) (at >> 8 & 0xFF), (int) (at & 0xFF));
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
