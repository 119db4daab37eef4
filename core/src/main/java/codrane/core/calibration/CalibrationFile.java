package codrane.core.calibration;

import codrane.core.octets.Checksums;
import codrane.core.octets.PagedMemory;
import codrane.core.octets.Source;
import java.util.List;
import java.util.Optional;

/**
 * A calibration file as read: its data at addresses, and what identifies it.
 *
 * @param length octets of the file itself
 * @param bytes octets of data, gaps not counted
 * @param crc32 CRC-32 ISO-HDLC over the data in address order, gaps skipped
 * @param sha256 of the file itself, lower-case hex
 */
public record CalibrationFile(
        Format format,
        MemoryImage image,
        List<MemoryImage.Segment> segments,
        long length,
        long bytes,
        long crc32,
        String sha256) {
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

    public CalibrationFile {
        segments = List.copyOf(segments);
    }

    /** Reads a file of any known format: its first lines tell which. */
    public static ReadResult read(Source content) {
        return read(content, new MemoryImage());
    }

    /** @param backing where its data lies when it is large; used for nothing else */
    public static ReadResult read(Source content, PagedMemory.Backing backing) {
        return read(content, new MemoryImage(backing));
    }

    private static ReadResult read(Source content, MemoryImage image) {
        if (content.length() == 0) return new ReadResult.Damaged(1, 1, "the file is empty");
        byte[] head = content.head(TextForm.HEAD);
        Optional<String> marked = TextForm.oddlyEncoded(head);
        if (marked.isPresent()) return new ReadResult.Damaged(1, 1, marked.get());
        Format format = TextForm.of(head);
        try {
            switch (format) {
                case INTEL_HEX -> new IntelHexReader(image).read(content);
                case S_RECORD -> new SRecordReader(image).read(content);
                case BINARY -> binary(content, image);
            }
        } catch (RecordLine.Fault fault) {
            return new ReadResult.Damaged(fault.line, fault.column, String.valueOf(fault.getMessage()));
        }
        if (image.size() == 0) return new ReadResult.Damaged(1, 1, "the file holds no data");
        return new ReadResult.Read(new CalibrationFile(
                format,
                image,
                image.segments(),
                content.length(),
                image.size(),
                image.crc32(),
                Checksums.sha256(content)));
    }

    private static void binary(Source content, MemoryImage image) {
        if (content.length() > MemoryImage.LIMIT) throw new RecordLine.Fault(1, 1, "data past 4 GiB");
        image.put(0, content);
    }
}
