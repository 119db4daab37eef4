package codrane.core.coding;

import codrane.core.octets.Bytes;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * One row of a typed or pasted line sheet, judged by itself.
 *
 * @param row from 1
 * @param tag as it was typed, in capitals; empty when none can be told
 * @param number as it was typed; 0 when none can be told
 * @param line empty when the row is none
 * @param trouble what is wrong, as a sentence; empty when the row is good
 */
public record LineRow(int row, String tag, int number, Optional<LineSheet.Line> line, Optional<String> trouble) {
    private static final Pattern HEAD = Pattern.compile("([A-Z]{3})\\s*/\\s*(\\d{1,3})(?=\\s|\\||$)(.*)");
    private static final Pattern REST =
            Pattern.compile("\\s+((?:[0-9A-F]{2})(?:\\s+[0-9A-F]{2}){0,7})\\s*\\|\\s*([0-9A-F]{2})");
    /** What is read for a digit of hex, by what was typed. */
    private static final Map<Character, Character> CONFUSED =
            Map.of('O', '0', 'Q', '0', 'I', '1', 'L', '1', 'Z', '2', 'S', '5', 'G', '6');

    private static final int MOST = 8;

    public boolean good() {
        return trouble.isEmpty();
    }

    /** As {@code TAG/NN}. */
    public String name() {
        return name(tag, number);
    }

    /** As {@code TAG/NN}. */
    public static String name(String tag, int number) {
        return "%s/%02d".formatted(tag, number);
    }

    /** @param typed not blank */
    public static LineRow of(int row, String typed) {
        String text = typed.strip().toUpperCase(Locale.ROOT);
        Matcher head = HEAD.matcher(text);
        if (!head.matches()) return new LineRow(row, "", 0, Optional.empty(), Optional.of(form(row, "BOD")));
        String tag = head.group(1);
        int number = Integer.parseInt(head.group(2));
        if (number < 1 || number > 255)
            return bad(row, tag, number, "Row " + row + ": line number " + number + " is not 1 to 255.");
        Matcher rest = REST.matcher(head.group(3));
        if (!rest.matches()) return bad(row, tag, number, formOf(row, tag, number, head.group(3)));
        LineSheet.Line line = new LineSheet.Line(tag, number, Bytes.parse(rest.group(1)));
        int check = Integer.parseInt(rest.group(2), 16);
        Optional<String> trouble = line.check() == check
                ? Optional.empty()
                : Optional.of(
                        "Line " + name(tag, number) + ": the check byte does not fit the data." + swapped(line, check));
        return new LineRow(row, tag, number, Optional.of(line), trouble);
    }

    private static LineRow bad(int row, String tag, int number, String trouble) {
        return new LineRow(row, tag, number, Optional.empty(), Optional.of(trouble));
    }

    private static String form(int row, String tag) {
        return "Row " + row + " is not of the form " + tag + "/07  13 5C 88 F0 | D4.";
    }

    private static String formOf(int row, String tag, int number, String rest) {
        String[] halves = rest.split("\\|", -1);
        String data = halves[0].strip();
        for (char typed : rest.toCharArray())
            if (CONFUSED.containsKey(typed))
                return form(row, tag) + " It has the letter " + typed + " where the digit " + CONFUSED.get(typed)
                        + " may be meant.";
        if (halves.length != 2 || halves[1].isBlank()) return form(row, tag) + " Its check byte is missing.";
        long bytes = data.isEmpty() ? 0 : data.split("\\s+").length;
        if (bytes < 1 || bytes > MOST)
            return "Line " + name(tag, number) + " has " + bytes + " bytes: a line has 1 to " + MOST + ".";
        return form(row, tag);
    }

    /** Two bytes in each other's place are the usual slip: named when only one pair explains the check. */
    private static String swapped(LineSheet.Line line, int check) {
        List<String> pairs = new ArrayList<>();
        byte[] octets = line.data().toArray();
        for (int a = 0; a < octets.length; a++)
            for (int b = a + 1; b < octets.length; b++) {
                if (octets[a] == octets[b]) continue;
                byte[] other = octets.clone();
                other[a] = octets[b];
                other[b] = octets[a];
                if (new LineSheet.Line(line.tag(), line.number(), Bytes.copyOf(other)).check() == check)
                    pairs.add((a + 1) + " and " + (b + 1));
            }
        return pairs.size() == 1 ? " It would with bytes " + pairs.getFirst() + " in each other's place." : "";
    }
}
