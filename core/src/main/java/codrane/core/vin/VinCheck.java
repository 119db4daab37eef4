package codrane.core.vin;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;

/**
 * Judgement of a typed VIN. Nothing is mended silently: what could be meant is offered in {@code suggestions}.
 *
 * @param vin the trimmed, upper-cased text when it is well-formed and its check digit does not speak against it
 * @param reason one sentence
 * @param suggestions whole VINs that would be valid
 * @param modelYears years that position 10 can mean within the maker's range
 */
public record VinCheck(
        Optional<Vin> vin, CheckDigit checkDigit, String reason, List<String> suggestions, List<Integer> modelYears) {
    /** How position 9 was judged. {@code UNUSED}: the maker uses none, or the text is not well-formed. */
    public enum CheckDigit {
        OK,
        WRONG,
        UNUSED
    }

    private static final List<String> CONFUSABLE = List.of("0D", "17", "1L", "7L", "2Z", "5S", "6G", "8B", "UV");

    public VinCheck {
        suggestions = List.copyOf(suggestions);
        modelYears = List.copyOf(modelYears);
    }

    public boolean valid() {
        return vin.isPresent();
    }

    public static VinCheck of(String typed, VinRule rule) {
        String text = typed.strip().replace(" ", "").toUpperCase(Locale.ROOT);
        if (text.length() != 17) {
            return refused(CheckDigit.UNUSED, "A VIN has 17 characters; this has " + text.length() + ".", List.of());
        }
        if (!Vin.isWellFormed(text)) return illegalCharacter(text, rule);
        Vin vin = new Vin(text);
        List<Integer> years = vin.modelYears(rule.firstYear(), rule.lastYear());
        if (!rule.checkDigit()) {
            return new VinCheck(
                    Optional.of(vin), CheckDigit.UNUSED, "This maker uses no check digit.", List.of(), years);
        }
        if (vin.checkDigitFits()) {
            return new VinCheck(Optional.of(vin), CheckDigit.OK, "The check digit fits.", List.of(), years);
        }
        return refused(
                CheckDigit.WRONG,
                "The check digit in position 9 is " + text.charAt(8) + ", the other characters ask for "
                        + vin.expectedCheckDigit() + ": one of the characters is wrong.",
                substitutions(text));
    }

    private static VinCheck refused(CheckDigit digit, String reason, List<String> suggestions) {
        return new VinCheck(Optional.empty(), digit, reason, suggestions, List.of());
    }

    private static VinCheck illegalCharacter(String text, VinRule rule) {
        String mended = text.replace('O', '0').replace('I', '1').replace('Q', '0');
        for (int i = 0; i < 17; i++) {
            char c = text.charAt(i);
            if (Vin.isWellFormed(String.valueOf(c).repeat(17))) continue;
            boolean confused = "OIQ".indexOf(c) >= 0;
            String reason = "Position " + (i + 1) + " is " + c + "; a VIN has no "
                    + (confused ? "I, O or Q." : "such character.");
            boolean helps = Vin.isWellFormed(mended) && (!rule.checkDigit() || new Vin(mended).checkDigitFits());
            return refused(CheckDigit.UNUSED, reason, helps ? List.of(mended) : List.of());
        }
        throw new IllegalStateException("no illegal character in " + text);
    }

    /** Single confusable substitutions and adjacent swaps that make the check digit fit. */
    private static List<String> substitutions(String text) {
        Set<String> found = new LinkedHashSet<>();
        for (int i = 0; i < 17; i++) {
            for (String pair : CONFUSABLE) {
                int at = pair.indexOf(text.charAt(i));
                if (at >= 0) offer(found, text.substring(0, i) + pair.charAt(1 - at) + text.substring(i + 1));
            }
            if (i < 16) {
                offer(found, text.substring(0, i) + text.charAt(i + 1) + text.charAt(i) + text.substring(i + 2));
            }
        }
        // at last the digit itself: it may be the one that was misread
        offer(found, text.substring(0, 8) + new Vin(text).expectedCheckDigit() + text.substring(9));
        return new ArrayList<>(found);
    }

    private static void offer(Set<String> found, String candidate) {
        if (Vin.isWellFormed(candidate) && new Vin(candidate).checkDigitFits()) found.add(candidate);
    }
}
