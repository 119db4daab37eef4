package codrane.core.coding;

import codrane.core.octets.Bytes;
import codrane.core.text.Words;
import java.math.BigDecimal;
import java.math.BigInteger;
import java.math.RoundingMode;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * One named setting within a block.
 *
 * @param at bit position; bit 7 of octet 0 is position 0
 * @param bits width: 1 to 64, or for text and BCD a whole number of octets
 * @param little octets in reverse order; only for whole aligned octets
 * @param values names of raw values for {@code ENUMERATION}, by raw value
 * @param scale unit = raw * factor + offset for {@code SCALED}
 */
public record Field(
        String key, String title, int at, int bits, Kind kind, boolean little, Map<Long, String> values, Scale scale) {
    private static final int MOST_HINTS = 12;

    /** How the raw bits are meant. */
    public enum Kind {
        ENUMERATION,
        UNSIGNED,
        SIGNED,
        SCALED,
        TEXT,
        BCD
    }

    /** For kinds other than {@code SCALED}: {@link #NONE}. */
    public record Scale(BigDecimal factor, BigDecimal offset, String unit) {
        public static final Scale NONE = new Scale(BigDecimal.ONE, BigDecimal.ZERO, "");
    }

    public Field {
        values = Map.copyOf(values);
        boolean octets = at % 8 == 0 && bits % 8 == 0;
        if (at < 0) throw new IllegalArgumentException("at: " + at + " (expected 0 or more)");
        if (bits < 1) throw new IllegalArgumentException("bits: " + bits + " (expected 1 or more)");
        if (isOctets(kind) && !octets) throw new IllegalArgumentException(key + ": text and BCD need whole octets");
        if (!isOctets(kind) && bits > 64) throw new IllegalArgumentException("bits: " + bits + " (expected 1..64)");
        if (little && !octets) throw new IllegalArgumentException(key + ": little needs whole aligned octets");
    }

    private static boolean isOctets(Kind kind) {
        return kind == Kind.TEXT || kind == Kind.BCD;
    }

    /** The same setting at another place: its bits as they are, listed or not; empty when it is another setting. */
    Optional<Bytes> carried(Field was, Bytes from, Bytes block) {
        if (!was.movedTo(at).equals(this)) return Optional.empty();
        byte[] octets = block.toArray();
        if (isOctets(kind)) System.arraycopy(was.octets(from).toArray(), 0, octets, at / 8, bits / 8);
        else put(octets, was.raw(from));
        return Optional.of(Bytes.copyOf(octets));
    }

    /** The same setting at another place. */
    public Field movedTo(int position) {
        return new Field(key, title, position, bits, kind, little, values, scale);
    }

    /** One past the last bit position. */
    public int end() {
        return at + bits;
    }

    /** The value in words, with its unit. */
    public String read(Bytes block) {
        return switch (kind) {
            case TEXT -> octets(block).text().replaceAll(" +$", ""); // what fills it up, and no more
            case BCD -> octets(block).hex();
            case UNSIGNED -> Long.toUnsignedString(raw(block));
            case SIGNED -> Long.toString(signed(raw(block)));
            case ENUMERATION -> {
                long raw = raw(block);
                yield values.getOrDefault(raw, "unlisted " + Long.toUnsignedString(raw));
            }
            case SCALED -> worded(scaled(raw(block)));
        };
    }

    private BigDecimal scaled(long raw) {
        return BigDecimal.valueOf(raw).multiply(scale.factor()).add(scale.offset());
    }

    /**
     * @return the block with only this field's bits changed, or empty when the value is not one this field can hold
     */
    public Optional<Bytes> write(Bytes block, String value) {
        byte[] octets = block.toArray();
        if (isOctets(kind)) {
            Optional<Bytes> content = octetsOf(value);
            content.ifPresent(c -> System.arraycopy(c.toArray(), 0, octets, at / 8, bits / 8));
            return content.map(c -> Bytes.copyOf(octets));
        }
        Optional<Long> raw = rawOf(value);
        if (raw.isEmpty()) return Optional.empty();
        put(octets, raw.get());
        return Optional.of(Bytes.copyOf(octets));
    }

    private Optional<Bytes> octetsOf(String value) {
        int length = bits / 8;
        if (kind == Kind.TEXT) {
            boolean fits = value.length() <= length && value.chars().allMatch(c -> c <= 0xFF); // an octet a character
            return !fits ? Optional.empty() : Optional.of(Bytes.ascii(value + " ".repeat(length - value.length())));
        }
        return value.matches("[0-9]{" + length * 2 + "}") ? Optional.of(Bytes.parse(value)) : Optional.empty();
    }

    /** The raw bits that stand for a value in words; empty when this field can't hold it, or its octets are the value. */
    public Optional<Long> rawOf(String value) {
        try {
            return switch (kind) {
                case ENUMERATION ->
                    values.entrySet().stream()
                            .filter(e -> e.getValue().equals(value))
                            .map(Map.Entry::getKey)
                            .findFirst();
                case UNSIGNED -> Optional.of(Long.parseUnsignedLong(value)).filter(this::fitsUnsigned);
                case SIGNED -> Optional.of(Long.parseLong(value)).filter(this::fitsSigned);
                case SCALED -> scaledRaw(value);
                case TEXT, BCD -> Optional.empty();
            };
        } catch (NumberFormatException e) {
            return Optional.empty();
        }
    }

    private Optional<Long> scaledRaw(String value) {
        BigDecimal number = new BigDecimal(value.replace(scale.unit(), "").strip());
        BigDecimal raw = number.subtract(scale.offset()).divide(scale.factor(), 0, RoundingMode.HALF_UP);
        return scaled(raw.longValue()).compareTo(number) == 0
                ? Optional.of(raw.longValue()).filter(this::fitsUnsigned)
                : Optional.empty();
    }

    /** What it can be instead of a value that it can't hold, as a sentence after a blank; empty when there is nothing to say. */
    String hint(String wished) {
        if (!range().isEmpty()) return " It can hold " + range() + ".";
        List<String> can =
                kind == Kind.ENUMERATION ? values.values().stream().sorted().toList() : nearest(wished);
        if (can.isEmpty() || can.size() > MOST_HINTS) return "";
        return kind == Kind.ENUMERATION
                ? " It can be " + String.join(", ", can) + "."
                : " The nearest that it can hold: " + String.join(", ", can) + ".";
    }

    /** What can be typed, in words; empty for what is chosen or scaled. */
    public String range() {
        return switch (kind) {
            case ENUMERATION, SCALED -> "";
            case TEXT -> "at most " + Words.count(bits / 8, "character");
            case BCD -> Words.count(bits / 4, "digit");
            case UNSIGNED -> "0 to " + BigInteger.TWO.pow(bits).subtract(BigInteger.ONE);
            case SIGNED -> {
                BigInteger half = BigInteger.TWO.pow(bits - 1);
                yield half.negate() + " to " + half.subtract(BigInteger.ONE);
            }
        };
    }

    /** The values next to a wished one that a scaled field can hold, the nearest first; none beyond its bits. */
    public List<String> nearest(String wished) {
        if (kind != Kind.SCALED) return List.of();
        Optional<BigDecimal> number = number(wished);
        if (number.isEmpty()) return List.of();
        BigDecimal exact = number.get().subtract(scale.offset()).divide(scale.factor(), 12, RoundingMode.HALF_UP);
        BigDecimal most = BigDecimal.valueOf(2).pow(bits).subtract(BigDecimal.ONE);
        // beyond its bits the nearest one is no answer to what was wished, and may be beyond the maker's limit
        if (exact.signum() < 0 || exact.compareTo(most) > 0) return List.of();
        return Stream.of(exact.setScale(0, RoundingMode.FLOOR), exact.setScale(0, RoundingMode.CEILING))
                .distinct()
                .sorted(Comparator.comparing(raw -> raw.subtract(exact).abs()))
                .map(raw -> worded(raw.multiply(scale.factor()).add(scale.offset())))
                .toList();
    }

    /** A value of a scaled field as a number in its unit; empty when it is none. */
    public Optional<BigDecimal> number(String value) {
        try {
            return Optional.of(new BigDecimal(value.replace(scale.unit(), "").strip()));
        } catch (NumberFormatException e) {
            return Optional.empty();
        }
    }

    /** A number in the field's unit. */
    public String worded(BigDecimal number) {
        return number.stripTrailingZeros().toPlainString() + (scale.unit().isEmpty() ? "" : " " + scale.unit());
    }

    private boolean fitsUnsigned(long raw) {
        return bits == 64 || raw >>> bits == 0;
    }

    private boolean fitsSigned(long raw) {
        return bits == 64 || raw >= -(1L << (bits - 1)) && raw < 1L << (bits - 1);
    }

    private long signed(long raw) {
        return raw << (64 - bits) >> (64 - bits);
    }

    private Bytes octets(Bytes block) {
        return block.slice(at / 8, bits / 8);
    }

    /** The raw bits, 0..2^bits-1 as an unsigned long. */
    long raw(Bytes block) {
        long raw = 0;
        for (int i = 0; i < bits; i++) {
            int position = position(i);
            raw = raw << 1 | block.u8(position / 8) >> (7 - position % 8) & 1;
        }
        return raw;
    }

    private void put(byte[] octets, long raw) {
        for (int i = 0; i < bits; i++) {
            int position = position(i);
            int mask = 1 << (7 - position % 8);
            boolean set = (raw >>> (bits - 1 - i) & 1) == 1;
            int octet = octets[position / 8] & 0xFF;
            octets[position / 8] = (byte) (set ? octet | mask : octet & ~mask);
        }
    }

    /** Where the i-th most significant bit of the value sits. */
    private int position(int i) {
        if (!little) return at + i;
        int octet = bits / 8 - 1 - i / 8;
        return at + octet * 8 + i % 8;
    }
}
