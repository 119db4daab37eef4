package codrane.core.coding;

import java.util.ArrayList;
import java.util.List;
import java.util.TreeSet;

/**
 * A line sheet that is being typed: what is good so far, and what is not, row by row.
 *
 * @param summary as a sentence
 * @param troubles each as a sentence; what is still to come is none
 * @param whole whether nothing is missing
 */
public record TypedLines(String summary, List<String> troubles, boolean whole) {
    /**
     * @param tag of the module
     * @param octets of its coding
     */
    public static TypedLines of(String text, String tag, int octets) {
        List<String> troubles = new ArrayList<>();
        TreeSet<Integer> good = new TreeSet<>();
        int held = 0;
        List<LineRow> rows = LineSheet.rows(text);
        for (LineRow row : rows) {
            if (!row.tag().isEmpty() && !row.tag().equals(tag))
                troubles.add("Row " + row.row() + " belongs to " + row.tag() + ", not " + tag + ".");
            else if (row.trouble().isPresent()) troubles.add(row.trouble().get());
            else if (!good.add(row.number())) troubles.add("Line " + row.name() + " is there twice.");
            else held += row.line().orElseThrow().data().length();
        }
        List<Integer> missing = LineSheet.missing(good);
        missing.forEach(n -> troubles.add("Line " + LineRow.name(tag, n) + " is missing."));
        boolean whole = troubles.isEmpty() && held == octets;
        if (troubles.isEmpty() && held > octets)
            troubles.add("The lines hold " + held + " bytes, the module's coding has " + octets + ".");
        return new TypedLines(summary(good.size(), held, octets, whole), troubles, whole);
    }

    private static String summary(int good, int held, int octets, boolean whole) {
        if (good == 0) return "No line is good yet.";
        String lines = good == 1 ? "1 line is good" : good + " lines are good";
        return whole ? lines + ": the sheet is whole." : lines + ", " + held + " of " + octets + " bytes.";
    }

    public TypedLines {
        troubles = List.copyOf(troubles);
    }
}
