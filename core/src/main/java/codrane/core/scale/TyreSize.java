package codrane.core.scale;

import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A tyre by the size on its side.
 *
 * @param width nominal section width, mm, 105..455
 * @param aspect height of the side in percent of the width, 20..100
 * @param rim nominal rim diameter, inches, 8..30
 */
public record TyreSize(int width, int aspect, double rim) {
    private static final Pattern SIZE = Pattern.compile(
            "(?:LT|P)?(\\d{3})/(\\d{2,3}) ?(?:ZR|R|-|D|B) ?(\\d{1,2}(?:\\.5)?)(?: ?C| ?LT)?(?: \\d{2,3}(?:/\\d{2,3})?[A-Z]\\d?)?");
    private static final double MM_PER_INCH = 25.4;
    /** A rolling tyre is flattened by the load. Source: unchecked; workshop policy. */
    private static final double ROLLING = 0.967;

    public TyreSize {
        check("width", width, 105, 455);
        check("aspect", aspect, 20, 100);
        check("rim", rim, 8, 30);
    }

    private static void check(String what, double is, int least, int most) {
        if (is < least || is > most)
            throw new IllegalArgumentException(what + ": " + is + " (expected " + least + ".." + most + ")");
    }

    /** @return empty when the text is no size, or one that no tyre has */
    public static Optional<TyreSize> parse(String text) {
        Matcher size = SIZE.matcher(text.strip().toUpperCase(java.util.Locale.ROOT));
        if (!size.matches()) return Optional.empty();
        try {
            return Optional.of(new TyreSize(
                    Integer.parseInt(size.group(1)),
                    Integer.parseInt(size.group(2)),
                    Double.parseDouble(size.group(3))));
        } catch (IllegalArgumentException e) {
            return Optional.empty();
        }
    }

    /** Overall, without load, mm. */
    public double diameter() {
        return rim * MM_PER_INCH + 2.0 * width * aspect / 100;
    }

    /** As it rolls, mm. */
    public double circumference() {
        return ROLLING * Math.PI * diameter();
    }

    public double revolutionsPerKm() {
        return 1e6 / circumference();
    }

    /** True speed in parts of the speed shown, on a vehicle that is coded for this size and rolls on the other. */
    public double speedRatio(TyreSize fitted) {
        return fitted.circumference() / circumference();
    }
}
