package codrane.core.calibration;

import codrane.core.octets.Bytes.Sink;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.stream.Collectors;

/** One calibration file written as another format: the same data at the same addresses. */
public final class Conversion {
    /** Most octets that filling may make. */
    public static final long MOST = 512L << 20;

    private Conversion() {}

    /** Formats that can be written, by the ending of the file's name. */
    public enum Target {
        INTEL_HEX("intel-hex", MemoryImage.LIMIT, "hex ihex ihx"),
        S19("s-record", 1L << 16, "s19"),
        S28("s-record", 1L << 24, "s28"),
        S37("s-record", MemoryImage.LIMIT, "s37 srec mot"),
        BINARY("binary", MemoryImage.LIMIT, "bin");

        private final String label;
        private final long addresses;
        /** With blanks between them. */
        private final String endings;

        Target(String label, long addresses, String endings) {
            this.label = label;
            this.addresses = addresses;
            this.endings = endings;
        }

        public String label() {
            return label;
        }

        public static Optional<Target> of(String name) {
            String ending = name.substring(name.lastIndexOf('.') + 1).toLowerCase(Locale.ROOT);
            boolean has = name.contains(".");
            return Arrays.stream(values())
                    .filter(t -> has && List.of(t.endings.split(" ")).contains(ending))
                    .findFirst();
        }

        /** All endings, for a sentence. */
        public static String all() {
            return Arrays.stream(values())
                    .flatMap(t -> Arrays.stream(t.endings.split(" ")))
                    .map(e -> "." + e)
                    .collect(Collectors.joining(", "));
        }
    }

    /** What is to be written, or why it can't be. */
    public sealed interface Planned {
        /** @param filled octets that fill gaps */
        record Good(MemoryImage image, Target target, long filled) implements Planned {
            public <E extends Exception> void write(Sink<E> out) throws E {
                switch (target) {
                    case INTEL_HEX -> CalibrationWriter.intelHex(image, out);
                    case S19 -> CalibrationWriter.sRecord(image, 2, out);
                    case S28 -> CalibrationWriter.sRecord(image, 3, out);
                    case S37 -> CalibrationWriter.sRecord(image, 4, out);
                    case BINARY -> CalibrationWriter.binary(image, out);
                }
            }
        }

        record Refused(String sentence) implements Planned {}
    }

    /** @param fill octet for the gaps, 0..255; empty: gaps stay, which binary can't have */
    public static Planned of(CalibrationFile file, Target target, OptionalInt fill) {
        List<MemoryImage.Segment> segments = file.segments();
        long start = segments.getFirst().start();
        long end = segments.getLast().end();
        if (end > target.addresses)
            return new Planned.Refused("The data ends at %08X, and this format's addresses end at %08X."
                    .formatted(end - 1, target.addresses - 1));
        if (fill.isPresent() && segments.size() > 1) {
            if (end - start > MOST)
                return new Planned.Refused(
                        "Filled, the data would be " + (end - start) + " octets; at most " + MOST + " are made.");
            return new Planned.Good(file.image().filled(fill.getAsInt()), target, end - start - file.bytes());
        }
        if (target == Target.BINARY && segments.size() > 1)
            return new Planned.Refused(
                    "Binary has no gaps, and there is one from %08X to %08X: say with what it is filled."
                            .formatted(segments.get(0).end(), segments.get(1).start() - 1));
        return new Planned.Good(file.image(), target, 0);
    }
}
