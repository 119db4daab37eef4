package codrane.core.calibration;

import codrane.core.calibration.CalibrationFile.Format;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;

/**
 * Tells a file of records from raw octets by its first lines: also when one of them is damaged, which makes it a damaged
 * file and no binary one.
 */
final class TextForm {
    /** Octets of a file's beginning that are enough to tell. */
    static final int HEAD = 8192;

    private static final int PROBED_OCTETS = 4096;
    private static final int PROBED_LINES = 8;
    private static final Pattern HEX = Pattern.compile(":[0-9A-Fa-f]{8,}.*");
    private static final Pattern S_RECORD = Pattern.compile("S[0-9][0-9A-Fa-f]{4,}.*");
    private static final Pattern HEX_END = Pattern.compile(":00000001[Ff]{2}");

    private TextForm() {}

    /** What an editor did to a file of records, as a sentence; empty when nothing. */
    static Optional<String> oddlyEncoded(byte[] content) {
        boolean mark = startsWith(content, 0xEF, 0xBB, 0xBF);
        if (mark && content.length > 3 && records(Arrays.copyOfRange(content, 3, content.length)))
            return Optional.of("a byte order mark stands before the first record: the file was saved as text with one");
        boolean wide = startsWith(content, 0xFF, 0xFE) || startsWith(content, 0xFE, 0xFF);
        if (wide || zeroEverySecond(content)) {
            String text = new String(
                    content,
                    content[0] == 0 || startsWith(content, 0xFE, 0xFF)
                            ? StandardCharsets.UTF_16BE
                            : StandardCharsets.UTF_16LE);
            if (records(text.replace("\uFEFF", "").getBytes(StandardCharsets.ISO_8859_1)))
                return Optional.of("the records are written in UTF-16: the file was saved in another encoding");
        }
        return Optional.empty();
    }

    private static boolean startsWith(byte[] content, int... octets) {
        if (content.length < octets.length) return false;
        for (int i = 0; i < octets.length; i++) if ((content[i] & 0xFF) != octets[i]) return false;
        return true;
    }

    private static boolean zeroEverySecond(byte[] content) {
        int probed = Math.min(content.length, 64) & ~1;
        if (probed < 8) return false;
        boolean even = true;
        boolean odd = true;
        for (int i = 0; i < probed; i += 2) {
            even &= content[i] == 0 && content[i + 1] != 0;
            odd &= content[i + 1] == 0 && content[i] != 0;
        }
        return even || odd;
    }

    private static boolean records(byte[] content) {
        return of(content) != Format.BINARY;
    }

    static Format of(byte[] content) {
        List<String> lines = lines(content);
        if (lines.isEmpty()) return Format.BINARY;
        long hex = lines.stream().filter(l -> HEX.matcher(l).matches()).count();
        long s = lines.stream().filter(l -> S_RECORD.matcher(l).matches()).count();
        boolean ends = lines.stream().anyMatch(l -> HEX_END.matcher(l).matches());
        if (ends || hex > 1 && 2 * hex >= lines.size()) return Format.INTEL_HEX;
        if (s > 1 && 2 * s >= lines.size()) return Format.S_RECORD;
        if (!printable(content)) return Format.BINARY;
        return switch (lines.getFirst().charAt(0)) {
            case ':' -> Format.INTEL_HEX;
            case 'S' -> Format.S_RECORD;
            default -> Format.BINARY;
        };
    }

    private static List<String> lines(byte[] content) {
        return new String(content, 0, Math.min(content.length, PROBED_OCTETS), StandardCharsets.ISO_8859_1)
                .lines()
                .map(String::strip)
                .filter(l -> !l.isEmpty())
                .limit(PROBED_LINES)
                .toList();
    }

    /** Files of records are printable; one odd octet near the beginning makes others binary. */
    private static boolean printable(byte[] content) {
        for (int i = 0; i < Math.min(content.length, 64); i++) {
            boolean space = content[i] == '\r' || content[i] == '\n' || content[i] == '\t';
            if (content[i] < ' ' && !space) return false;
        }
        return true;
    }
}
