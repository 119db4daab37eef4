package codrane.core.coding;

import codrane.core.octets.Bytes;
import codrane.core.octets.Checksums;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * The maker's record of a module's coding as numbered lines {@code TAG/NN  hex bytes | check}. The check is CRC-8 SAE
 * J1850 over the tag's ASCII, the line number as one octet, and the data.
 */
public final class LineSheet {
    private static final Pattern LINE =
            Pattern.compile("([A-Z]{3})/(\\d{1,3})\\s+((?:[0-9A-F]{2})(?: [0-9A-F]{2}){0,7}) \\| ([0-9A-F]{2})");

    private LineSheet() {}

    /** @param number 1..255 */
    public record Line(String tag, int number, Bytes data) {
        public Line {
            if (number < 1 || number > 255)
                throw new IllegalArgumentException("number: " + number + " (expected 1..255)");
        }

        public int check() {
            return Checksums.crc8J1850(Bytes.ascii(tag).plus(Bytes.of(number)).plus(data));
        }

        public String text() {
            return "%s/%02d  %s | %02X".formatted(tag, number, data.spaced(), check());
        }
    }

    /** The judged sheet: either all lines are good and complete, or there is at least one trouble. */
    public record Sheet(List<Line> lines, List<String> troubles) {
        public Sheet {
            lines = List.copyOf(lines);
            troubles = List.copyOf(troubles);
        }

        public boolean good() {
            return troubles.isEmpty();
        }

        /** All data in line order; only meaningful when good. */
        public Bytes octets() {
            Bytes all = Bytes.EMPTY;
            for (Line line : lines) all = all.plus(line.data());
            return all;
        }
    }

    /** Judges pasted text for one module: lines of other modules are a trouble. */
    public static Sheet parse(String text, String tag, int expectedOctets) {
        Map<Integer, Line> lines = new TreeMap<>();
        List<String> troubles = new ArrayList<>();
        int row = 0;
        for (String raw : text.lines().toList()) {
            row++;
            if (!raw.isBlank()) judge(raw.strip().toUpperCase(java.util.Locale.ROOT), row, tag, lines, troubles);
        }
        int last = lines.isEmpty() ? 0 : ((TreeMap<Integer, Line>) lines).lastKey();
        for (int n = 1; n <= last; n++) {
            if (!lines.containsKey(n)) troubles.add("Line " + tag + "/" + n + " is missing.");
        }
        int octets = lines.values().stream().mapToInt(l -> l.data().length()).sum();
        if (troubles.isEmpty() && octets != expectedOctets) {
            troubles.add("The lines hold " + octets + " bytes, the module's coding has " + expectedOctets + ".");
        }
        return new Sheet(List.copyOf(lines.values()), troubles);
    }

    private static void judge(String raw, int row, String tag, Map<Integer, Line> lines, List<String> troubles) {
        Matcher m = LINE.matcher(raw);
        if (!m.matches()) {
            troubles.add("Row " + row + " is not of the form " + tag + "/07  13 5C 88 F0 | D4.");
            return;
        }
        int number = Integer.parseInt(m.group(2));
        if (!m.group(1).equals(tag)) {
            troubles.add("Row " + row + " belongs to " + m.group(1) + ", not " + tag + ".");
        } else if (number < 1 || number > 255) {
            troubles.add("Row " + row + ": line number " + number + " is not 1 to 255.");
        } else {
            Line line = new Line(tag, number, Bytes.parse(m.group(3)));
            if (line.check() != Integer.parseInt(m.group(4), 16)) {
                troubles.add("Line " + tag + "/" + number + ": the check byte does not fit the data.");
            }
            if (lines.put(number, line) != null) troubles.add("Line " + tag + "/" + number + " is there twice.");
        }
    }

    /** Cuts a module's coding into lines of eight octets. */
    public static List<Line> of(String tag, Bytes octets) {
        List<Line> lines = new ArrayList<>();
        for (int at = 0; at < octets.length(); at += 8) {
            lines.add(new Line(tag, at / 8 + 1, octets.slice(at, Math.min(8, octets.length() - at))));
        }
        return lines;
    }
}
