package codrane.core.part;

import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** A replacing part against the fitted one, by number. */
public final class PartNumber {
    private PartNumber() {}

    /** Verdicts from best to worst. */
    public enum Fit {
        SAME,
        ACCEPTED_SUFFIX,
        ASK_THE_PARTS_DESK,
        DOES_NOT_FIT
    }

    public record Verdict(Fit fit, String reason) {}

    /** Without blanks, dashes and dots, in upper case. */
    public static String canonical(String number) {
        return number.replaceAll("[\\s.-]", "").toUpperCase(Locale.ROOT);
    }

    /**
     * @param pattern with the groups {@code base} and {@code suffix}, matched against the number as written
     * @param interchangeable suffixes that the maker's list accepts for one another
     */
    public static Verdict compare(
            String fitted, String offered, Pattern pattern, Collection<? extends Collection<String>> interchangeable) {
        if (canonical(fitted).equals(canonical(offered))) {
            return new Verdict(Fit.SAME, "Same part number " + offered + ".");
        }
        Matcher was = pattern.matcher(fitted.strip().toUpperCase(Locale.ROOT));
        Matcher is = pattern.matcher(offered.strip().toUpperCase(Locale.ROOT));
        if (!was.matches() || !is.matches() || !was.group("base").equals(is.group("base"))) {
            return new Verdict(Fit.DOES_NOT_FIT, offered + " is another part than " + fitted + ".");
        }
        List<String> pair = List.of(was.group("suffix"), is.group("suffix"));
        if (interchangeable.stream().anyMatch(list -> list.containsAll(pair))) {
            return new Verdict(
                    Fit.ACCEPTED_SUFFIX,
                    "The maker's list accepts suffix " + pair.get(1) + " for " + pair.get(0) + ".");
        }
        return new Verdict(
                Fit.ASK_THE_PARTS_DESK,
                "Same base, but no list says that suffix " + pair.get(1) + " replaces " + pair.get(0) + ".");
    }
}
