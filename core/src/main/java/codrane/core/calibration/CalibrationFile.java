package codrane.core.calibration;

import codrane.core.octets.Checksums;
import java.util.List;

/**
 * A calibration file as read: its data at addresses, and what identifies it.
 *
 * @param bytes octets of data, gaps not counted
 * @param crc32 CRC-32 ISO-HDLC over the data in address order, gaps skipped
 * @param sha256 of the file itself, lower-case hex
 */
public record CalibrationFile(
        Format format, MemoryImage image, List<MemoryImage.Segment> segments, long bytes, long crc32, String sha256) {
    /** How the file is written. */
    public enum Format {
        INTEL_HEX("intel-hex"),
        S_RECORD("s-record"),
        BINARY("binary");

        private final String label;

        Format(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }
    }

    private static final int PROBED = 64;

    public CalibrationFile {
        segments = List.copyOf(segments);
    }

    /** Reads a file of any known format: the first character tells which. */
    public static ReadResult read(byte[] content) {
        if (content.length == 0) return new ReadResult.Damaged(1, 1, "the file is empty");
        MemoryImage image = new MemoryImage();
        char first = firstVisible(content);
        boolean text = looksLikeText(content);
        Format format = !text
                ? Format.BINARY
                : first == ':' ? Format.INTEL_HEX : first == 'S' ? Format.S_RECORD : Format.BINARY;
        try {
            switch (format) {
                case INTEL_HEX -> new IntelHexReader(image).read(content);
                case S_RECORD -> new SRecordReader(image).read(content);
                case BINARY -> image.put(0, content);
            }
        } catch (RecordLine.Fault fault) {
            return new ReadResult.Damaged(fault.line, fault.column, fault.getMessage());
        }
        if (image.size() == 0) return new ReadResult.Damaged(1, 1, "the file holds no data");
        return new ReadResult.Read(new CalibrationFile(
                format, image, image.segments(), image.size(), image.crc32(), Checksums.sha256(content)));
    }

    /** Blank lines may stand before the first record. */
    private static char firstVisible(byte[] content) {
        for (byte octet : content) {
            if (octet > ' ') return (char) octet;
        }
        return ' ';
    }

    /** HEX and S-record files are printable; one odd octet near the beginning makes the file binary. */
    private static boolean looksLikeText(byte[] content) {
        for (int i = 0; i < Math.min(content.length, PROBED); i++) {
            boolean space = content[i] == '\r' || content[i] == '\n' || content[i] == '\t';
            if (content[i] < ' ' && !space) return false;
        }
        return true;
    }
}
