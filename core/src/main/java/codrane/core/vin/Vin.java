package codrane.core.vin;

import java.util.Map;
import java.util.regex.Pattern;

/**
 * A well-formed vehicle identification number: 17 characters of 0-9 A-H J-N P R-Z. Source: unchecked (ISO 3779, 49
 * CFR 565; letter values and weights as in the project's computation notes).
 */
public record Vin(String text) {
    private static final Pattern SHAPE = Pattern.compile("[0-9A-HJ-NPR-Z]{17}");
    private static final int[] WEIGHTS = {8, 7, 6, 5, 4, 3, 2, 10, 0, 9, 8, 7, 6, 5, 4, 3, 2};
    private static final String LETTERS = "ABCDEFGHJKLMNPRSTUVWXYZ";
    private static final String VALUES = "12345678123457923456789";
    private static final String YEAR_CODES = "ABCDEFGHJKLMNPRSTVWXY123456789";
    private static final Map<Character, String> SPELLING = Map.ofEntries(
            Map.entry('A', "Alfa"),
            Map.entry('B', "Bravo"),
            Map.entry('C', "Charlie"),
            Map.entry('D', "Delta"),
            Map.entry('E', "Echo"),
            Map.entry('F', "Foxtrot"),
            Map.entry('G', "Golf"),
            Map.entry('H', "Hotel"),
            Map.entry('J', "Juliett"),
            Map.entry('K', "Kilo"),
            Map.entry('L', "Lima"),
            Map.entry('M', "Mike"),
            Map.entry('N', "November"),
            Map.entry('P', "Papa"),
            Map.entry('R', "Romeo"),
            Map.entry('S', "Sierra"),
            Map.entry('T', "Tango"),
            Map.entry('U', "Uniform"),
            Map.entry('V', "Victor"),
            Map.entry('W', "Whiskey"),
            Map.entry('X', "Xray"),
            Map.entry('Y', "Yankee"),
            Map.entry('Z', "Zulu"));

    public Vin {
        if (!SHAPE.matcher(text).matches()) {
            throw new IllegalArgumentException("vin: " + text + " (expected 17 of 0-9 A-H J-N P R-Z)");
        }
    }

    static boolean isWellFormed(String text) {
        return SHAPE.matcher(text).matches();
    }

    /** The character that position 9 should have: 0-9 or X. */
    public char expectedCheckDigit() {
        int sum = 0;
        for (int i = 0; i < 17; i++) sum += value(text.charAt(i)) * WEIGHTS[i];
        return "0123456789X".charAt(sum % 11);
    }

    public boolean checkDigitFits() {
        return text.charAt(8) == expectedCheckDigit();
    }

    /** World manufacturer identifier: the first three characters. */
    public String wmi() {
        return text.substring(0, 3);
    }

    /** The last six characters, by which people name a vehicle. */
    public String end() {
        return text.substring(11);
    }

    /** @param index 0..2 of the groups 3-6-8 in which a VIN is read aloud and shown */
    public String group(int index) {
        return switch (index) {
            case 0 -> text.substring(0, 3);
            case 1 -> text.substring(3, 9);
            case 2 -> text.substring(9);
            default -> throw new IllegalArgumentException("index: " + index + " (expected 0..2)");
        };
    }

    public String grouped() {
        return group(0) + " " + group(1) + " " + group(2);
    }

    /** The spelling alphabet in groups of 3-6-8, so that two people can check it aloud. */
    public String spelled() {
        StringBuilder out = new StringBuilder();
        for (int i = 0; i < 17; i++) {
            if (i > 0) out.append(i == 3 || i == 9 ? " · " : " ");
            char c = text.charAt(i);
            out.append(SPELLING.getOrDefault(c, String.valueOf(c)));
        }
        return out.toString();
    }

    /**
     * Years that position 10 can mean, 30 years apart.
     *
     * @param first first model year in question, for example 1980
     * @param last last model year in question, inclusive
     */
    public java.util.List<Integer> modelYears(int first, int last) {
        int code = YEAR_CODES.indexOf(text.charAt(9));
        if (code < 0) return java.util.List.of();
        return java.util.stream.IntStream.rangeClosed(first, last)
                .filter(year -> Math.floorMod(year - 1980, 30) == code)
                .boxed()
                .toList();
    }

    private static int value(char c) {
        return Character.isDigit(c) ? c - '0' : VALUES.charAt(LETTERS.indexOf(c)) - '0';
    }

    @Override
    public String toString() {
        return text;
    }
}
