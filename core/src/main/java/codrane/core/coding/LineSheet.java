package codrane.core.coding;

import codrane.core.octets.Bytes;
import codrane.core.octets.Checksums;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;

/**
 * The maker's record of a module's coding as numbered lines {@code TAG/NN  hex bytes | check}. The check is CRC-8 SAE
 * J1850 over the tag's ASCII, the line number as one octet, and the data.
 */
public final class LineSheet {
    private static final Pattern SEPARATED = Pattern.compile("[,;\t]");
    private static final Pattern CELLS = Pattern.compile(
            "\\s*([A-Za-z]{3})\\s*[/,;\t]\\s*(\\d{1,3})\\s*[,;\t]\\s*([0-9A-Za-z ]+?)\\s*[,;\t]\\s*([0-9A-Za-z]{2})\\s*");

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
            return "%s  %s | %02X".formatted(LineRow.name(tag, number), data.spaced(), check());
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

    /**
     * Where a sheet that was entered twice differs, as a sentence: two errors in one line may leave its check right. Empty when
     * both entries say the same.
     *
     * @param first a good one
     */
    public static Optional<String> difference(Sheet first, Sheet second) {
        if (!second.good()) return Optional.of("The second entry: " + String.join(" ", second.troubles()));
        if (first.lines().size() != second.lines().size())
            return Optional.of("%d lines the first time, %d the second."
                    .formatted(first.lines().size(), second.lines().size()));
        for (int i = 0; i < first.lines().size(); i++) {
            Line one = first.lines().get(i);
            Line other = second.lines().get(i);
            if (one.data().length() != other.data().length())
                return Optional.of(
                        "Line " + LineRow.name(one.tag(), one.number()) + " is not as long the second time.");
            for (int at = 0; at < one.data().length(); at++) {
                if (one.data().u8(at) != other.data().u8(at))
                    return Optional.of("Line %s, byte %d: %02X the first time, %02X the second. Look at the sheet."
                            .formatted(
                                    LineRow.name(one.tag(), one.number()),
                                    at + 1,
                                    one.data().u8(at),
                                    other.data().u8(at)));
            }
        }
        return Optional.empty();
    }

    /** Rows that are not blank, each judged by itself; also as a table holds them, with or without its headings. */
    public static List<LineRow> rows(String text) {
        List<LineRow> rows = new ArrayList<>();
        int row = 0;
        for (String raw : text.lines().toList()) {
            row++;
            boolean heading = row == 1 && SEPARATED.matcher(raw).find() && !raw.matches(".*\\d.*");
            if (!raw.isBlank() && !heading) rows.add(LineRow.of(row, fromTable(raw)));
        }
        return rows;
    }

    /** A row of a table, its cells parted by comma, semicolon or tab, in the form of a line; any other row as it is. */
    private static String fromTable(String row) {
        if (!SEPARATED.matcher(row).find()) return row;
        Matcher cells = CELLS.matcher(row.replace("\"", ""));
        if (!cells.matches()) return row;
        String data = cells.group(3).replaceAll("\\s+", "").replaceAll("..(?=.)", "$0 ");
        return cells.group(1) + "/" + cells.group(2) + "  " + data + " | " + cells.group(4);
    }

    /** Judges pasted text for one module: lines of other modules are a trouble. */
    public static Sheet parse(String text, String tag, int expectedOctets) {
        TreeMap<Integer, Line> lines = new TreeMap<>();
        List<String> troubles = new ArrayList<>();
        for (LineRow row : rows(text)) {
            if (!row.tag().isEmpty() && !row.tag().equals(tag)) {
                troubles.add("Row " + row.row() + " belongs to " + row.tag() + ", not " + tag + ".");
                continue;
            }
            row.trouble().ifPresent(troubles::add);
            boolean again =
                    row.line().isPresent() && lines.put(row.number(), row.line().get()) != null;
            if (again) troubles.add("Line " + row.name() + " is there twice.");
        }
        missing(lines.keySet()).forEach(n -> troubles.add("Line " + LineRow.name(tag, n) + " is missing."));
        int octets = lines.values().stream().mapToInt(l -> l.data().length()).sum();
        if (troubles.isEmpty() && octets != expectedOctets) {
            troubles.add("The lines hold " + octets + " bytes, the module's coding has " + expectedOctets + ".");
        }
        return new Sheet(List.copyOf(lines.values()), troubles);
    }

    /** Numbers from 1 to the greatest that are not there. */
    public static List<Integer> missing(Collection<Integer> numbers) {
        int last = numbers.stream().mapToInt(n -> n).max().orElse(0);
        return IntStream.rangeClosed(1, last)
                .filter(n -> !numbers.contains(n))
                .boxed()
                .toList();
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
