package codrane.core.part;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * The form of a serial number or licence code: {@code A} a capital letter, {@code a} a letter of either case, {@code 9} a
 * digit, {@code X} a capital letter or a digit, {@code \} before a character that stands for itself; all others do so
 * anyway. Case is kept: where the mask wants capitals, small letters are named and never silently changed.
 *
 * @param places one for each character of a value
 */
public record SerialMask(List<Place> places) {
    private static final int LONGEST = 64;
    private static final int MOST_OFFERS = 8;
    private static final Place BLANK = new Place.Exactly(' ');

    /** Characters that are taken for one another, when read from a label. */
    private static final List<String> CONFUSABLE =
            List.of("0O", "0D", "0Q", "1I", "1L", "1l", "17", "2Z", "5S", "6G", "8B", "UV");

    /** What one character may be. */
    public sealed interface Place {
        record Letter(boolean anyCase) implements Place {}

        record Digit() implements Place {}

        record LetterOrDigit() implements Place {}

        record Exactly(char character) implements Place {}

        default boolean takes(char c) {
            return switch (this) {
                case Letter(boolean anyCase) -> c >= 'A' && c <= 'Z' || anyCase && c >= 'a' && c <= 'z';
                case Digit() -> c >= '0' && c <= '9';
                case LetterOrDigit() -> c >= 'A' && c <= 'Z' || c >= '0' && c <= '9';
                case Exactly(char character) -> c == character;
            };
        }

        default String words() {
            return switch (this) {
                case Letter(boolean anyCase) -> anyCase ? "a letter" : "a capital letter";
                case Digit() -> "a digit";
                case LetterOrDigit() -> "a capital letter or a digit";
                case Exactly(char character) -> "\"" + character + "\"";
            };
        }
    }

    /**
     * @param position of the first character that is wrong, from 1; 0 when none is or the length is wrong
     * @param suggestions whole values that would fit, with confusable characters exchanged
     */
    public record Verdict(boolean valid, String reason, int position, List<String> suggestions) {
        public Verdict {
            suggestions = List.copyOf(suggestions);
        }
    }

    public SerialMask {
        places = List.copyOf(places);
    }

    /** @return empty when the text is no mask: nothing in it, too long, a blank at an end, or it ends with the escape */
    public static Optional<SerialMask> parse(String text) {
        List<Place> places = new ArrayList<>();
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            if (c == '\\') {
                if (++i == text.length()) return Optional.empty();
                places.add(new Place.Exactly(text.charAt(i)));
            } else {
                places.add(
                        switch (c) {
                            case 'A' -> new Place.Letter(false);
                            case 'a' -> new Place.Letter(true);
                            case '9' -> new Place.Digit();
                            case 'X' -> new Place.LetterOrDigit();
                            default -> new Place.Exactly(c);
                        });
            }
        }
        boolean good = !places.isEmpty()
                && places.size() <= LONGEST
                && !places.getFirst().equals(BLANK)
                && !places.getLast().equals(BLANK); // blanks around a value do not count
        return good ? Optional.of(new SerialMask(places)) : Optional.empty();
    }

    /** Blanks around the value do not count; nothing else is mended. */
    public Verdict judge(String typed) {
        String value = typed.strip();
        if (value.length() != places.size()) {
            return new Verdict(
                    false,
                    "It has " + value.length() + " characters; this kind has " + places.size() + ".",
                    0,
                    List.of());
        }
        int wrong = firstWrong(value);
        if (wrong < 0) return new Verdict(true, "It has the form of this kind.", 0, List.of());
        return new Verdict(
                false,
                "Position " + (wrong + 1) + " is \"" + value.charAt(wrong) + "\"; here stands "
                        + places.get(wrong).words() + ".",
                wrong + 1,
                suggestions(value));
    }

    private int firstWrong(String value) {
        for (int i = 0; i < value.length(); i++) if (!places.get(i).takes(value.charAt(i))) return i;
        return -1;
    }

    /** Every wrong character must have something confusable that fits; otherwise nothing is offered. */
    private List<String> suggestions(String value) {
        List<String> offers = List.of("");
        for (int i = 0; i < value.length(); i++) {
            Place place = places.get(i);
            char c = value.charAt(i);
            List<Character> fitting = place.takes(c) ? List.of(c) : exchanges(place, c);
            List<String> longer = new ArrayList<>();
            for (String offer : offers) for (char fit : fitting) longer.add(offer + fit);
            offers = longer.size() > MOST_OFFERS ? longer.subList(0, MOST_OFFERS) : longer;
        }
        return offers;
    }

    private static List<Character> exchanges(Place place, char c) {
        Set<Character> found = new LinkedHashSet<>();
        if (place.takes(Character.toUpperCase(c))) found.add(Character.toUpperCase(c));
        for (String pair : CONFUSABLE) {
            if (pair.charAt(0) == c && place.takes(pair.charAt(1))) found.add(pair.charAt(1));
            if (pair.charAt(1) == Character.toUpperCase(c) || pair.charAt(1) == c) {
                if (place.takes(pair.charAt(0))) found.add(pair.charAt(0));
            }
        }
        return List.copyOf(found);
    }
}
