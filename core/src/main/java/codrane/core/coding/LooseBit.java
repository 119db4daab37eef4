package codrane.core.coding;

import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * One bit that neither a setting nor the check explains, named by where it is: {@code bit-12.3}.
 *
 * @param octet of the block, from 0
 * @param bit 7 (most significant) to 0
 */
public record LooseBit(int octet, int bit) {
    private static final Pattern KEY = Pattern.compile("bit-(\\d{1,4})\\.([0-7])");

    /** Empty when the key is that of a setting. */
    public static Optional<LooseBit> of(String key) {
        Matcher matcher = KEY.matcher(key);
        return matcher.matches()
                ? Optional.of(new LooseBit(Integer.parseInt(matcher.group(1)), Integer.parseInt(matcher.group(2))))
                : Optional.empty();
    }

    public String key() {
        return "bit-" + octet + "." + bit;
    }

    /** To be read and written like a setting; empty when a setting or the check explains it, or the block is shorter. */
    Optional<Field> in(Layout layout) {
        int at = octet * 8 + 7 - bit;
        if (octet >= layout.length() || BlockReading.known(layout).get(at)) return Optional.empty();
        return Optional.of(new Field(
                key(),
                "bit " + bit + " of byte " + (octet + 1),
                at,
                1,
                Field.Kind.UNSIGNED,
                false,
                Map.of(),
                Field.Scale.NONE));
    }
}
