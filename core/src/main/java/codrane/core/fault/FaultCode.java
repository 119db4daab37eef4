package codrane.core.fault;

import codrane.core.octets.Bytes;
import java.util.Locale;
import java.util.regex.Pattern;

/**
 * A three-octet fault number, shown as letter, four digits and failure type: {@code B1A04-54}. Source: unchecked (SAE
 * J2012, ISO 14229-1).
 *
 * @param number 0..0xFFFFFF
 */
public record FaultCode(int number) {
    private static final Pattern SHAPE = Pattern.compile("[PCBU][0-3][0-9A-F]{3}-[0-9A-F]{2}");

    public FaultCode {
        if (number < 0 || number > 0xFFFFFF) {
            throw new IllegalArgumentException("number: " + number + " (expected 0..16777215)");
        }
    }

    /** @throws IllegalArgumentException when the text is not of the form {@code B1A04-54} */
    public static FaultCode parse(String text) {
        String code = text.strip().toUpperCase(Locale.ROOT);
        if (!SHAPE.matcher(code).matches()) {
            throw new IllegalArgumentException("fault: " + text + " (expected a form like B1A04-54)");
        }
        int letter = "PCBU".indexOf(code.charAt(0));
        int high = letter << 14 | (code.charAt(1) - '0') << 12 | Integer.parseInt(code.substring(2, 5), 16);
        return new FaultCode(high << 8 | Integer.parseInt(code.substring(6), 16));
    }

    public String text() {
        int high = number >> 8;
        return "%c%d%03X-%02X".formatted("PCBU".charAt(high >> 14), high >> 12 & 3, high & 0xFFF, number & 0xFF);
    }

    public Bytes octets() {
        return Bytes.of(number >> 16, number >> 8 & 0xFF, number & 0xFF);
    }

    @Override
    public String toString() {
        return text();
    }
}
