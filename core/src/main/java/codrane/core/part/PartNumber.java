package codrane.core.part;

import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** A replacing part against the fitted one, by number. */
public final class PartNumber {
    private PartNumber() {}

    /** Verdicts from best to worst. */
    public enum Fit {
        SAME,
        ACCEPTED_SUFFIX,
        SUCCESSOR,
        PREDECESSOR,
        ASK_THE_PARTS_DESK,
        DOES_NOT_FIT;

        /** As commands have it: lower case with dashes. */
        public String key() {
            return name().toLowerCase(Locale.ROOT).replace('_', '-');
        }
    }

    /** @param reason as a sentence, with the list or chain that it rests on */
    public record Verdict(Fit fit, String reason) {}

    /**
     * What a maker says about the numbers of one module.
     *
     * @param pattern with the groups {@code base} and {@code suffix}
     * @param interchangeable lists of suffixes that are accepted for one another
     * @param chain suffixes from oldest to newest, each replaced by the next; may be empty
     */
    public record Numbering(
            Pattern pattern, Collection<? extends Collection<String>> interchangeable, List<String> chain) {
        public Numbering {
            interchangeable = List.copyOf(interchangeable);
            chain = List.copyOf(chain);
        }
    }

    private record Split(String base, String suffix) {}

    /** Without blanks, dashes and dots, in upper case. */
    public static String canonical(String number) {
        return number.replaceAll("[\\s.-]", "").toUpperCase(Locale.ROOT);
    }

    /** Separators do not count: labels print them, or not. */
    public static Verdict compare(String fitted, String offered, Numbering numbering) {
        if (canonical(fitted).equals(canonical(offered)))
            return new Verdict(Fit.SAME, "Same part number " + offered.strip() + ".");
        Optional<Split> was = split(fitted, numbering.pattern());
        Optional<Split> is = was.flatMap(split -> like(split, offered));
        if (is.isEmpty())
            return new Verdict(Fit.DOES_NOT_FIT, offered.strip() + " is another part than " + fitted.strip() + ".");
        return suffixes(was.get().suffix(), is.get().suffix(), numbering);
    }

    private static Optional<Split> split(String number, Pattern pattern) {
        Matcher matcher = pattern.matcher(number.strip().toUpperCase(Locale.ROOT));
        if (!matcher.matches()) return Optional.empty();
        return Optional.of(new Split(canonical(matcher.group("base")), canonical(matcher.group("suffix"))));
    }

    /** The other number, split where the first one is. */
    private static Optional<Split> like(Split first, String other) {
        String text = canonical(other);
        boolean same = text.startsWith(first.base())
                && text.length() == first.base().length() + first.suffix().length();
        return same
                ? Optional.of(
                        new Split(first.base(), text.substring(first.base().length())))
                : Optional.empty();
    }

    private static Verdict suffixes(String was, String is, Numbering numbering) {
        List<String> pair = List.of(was, is);
        for (Collection<String> list : numbering.interchangeable())
            if (list.containsAll(pair))
                return new Verdict(
                        Fit.ACCEPTED_SUFFIX,
                        "The maker's list " + String.join(", ", list) + " accepts suffix " + is + " for " + was + ".");
        if (numbering.chain().containsAll(pair)) {
            boolean newer = numbering.chain().indexOf(is) > numbering.chain().indexOf(was);
            String chain = String.join(" → ", numbering.chain());
            return newer
                    ? new Verdict(Fit.SUCCESSOR, "Suffix " + is + " replaces " + was + " in the chain " + chain + ".")
                    : new Verdict(
                            Fit.PREDECESSOR,
                            "Suffix " + is + " is older than " + was + " in the chain " + chain
                                    + ": it may lack what the vehicle needs.");
        }
        return new Verdict(
                Fit.ASK_THE_PARTS_DESK, "Same base, but no list says that suffix " + is + " replaces " + was + ".");
    }
}
