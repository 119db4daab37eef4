package codrane.core.octets;

import java.util.Arrays;
import java.util.HexFormat;
import java.util.Locale;

/** An immutable row of octets. Prints as upper-case hex without blanks. */
public final class Bytes {
    public static final Bytes EMPTY = new Bytes(new byte[0]);
    private static final HexFormat HEX = HexFormat.of().withUpperCase();

    private final byte[] octets;

    private Bytes(byte[] octets) {
        this.octets = octets;
    }

    /** @param values each 0..255 */
    public static Bytes of(int... values) {
        byte[] octets = new byte[values.length];
        for (int i = 0; i < values.length; i++) {
            if (values[i] < 0 || values[i] > 0xFF) {
                throw new IllegalArgumentException("octet " + i + ": " + values[i] + " (expected 0..255)");
            }
            octets[i] = (byte) values[i];
        }
        return new Bytes(octets);
    }

    public static Bytes copyOf(byte[] octets) {
        return octets.length == 0 ? EMPTY : new Bytes(octets.clone());
    }

    public static Bytes copyOf(byte[] octets, int start, int length) {
        return new Bytes(Arrays.copyOfRange(octets, start, start + length));
    }

    /** Takes an array that its maker gives up, without copying it. */
    public static Bytes owning(byte[] octets) {
        return octets.length == 0 ? EMPTY : new Bytes(octets);
    }

    /** All parts in one row. */
    public static Bytes join(Bytes... parts) {
        int length = 0;
        for (Bytes part : parts) length += part.octets.length;
        byte[] all = new byte[length];
        int at = 0;
        for (Bytes part : parts) {
            System.arraycopy(part.octets, 0, all, at, part.octets.length);
            at += part.octets.length;
        }
        return new Bytes(all);
    }

    /** ISO 8859-1, one octet a character. */
    public static Bytes ascii(String text) {
        return new Bytes(text.getBytes(java.nio.charset.StandardCharsets.ISO_8859_1));
    }

    /**
     * @param text hex digits, blanks between octets allowed
     * @throws IllegalArgumentException when it is not hex or has an odd number of digits
     */
    public static Bytes parse(String text) {
        String digits = text.replace(" ", "").toUpperCase(Locale.ROOT);
        return new Bytes(HEX.parseHex(digits));
    }

    public static Bytes filled(int length, int value) {
        byte[] octets = new byte[length];
        Arrays.fill(octets, (byte) value);
        return new Bytes(octets);
    }

    /** @return the octet at the index, 0..255 */
    public int u8(int index) {
        return octets[index] & 0xFF;
    }

    /** @return two octets from the index, big-endian, 0..65535 */
    public int u16(int index) {
        return u8(index) << 8 | u8(index + 1);
    }

    /** All octets as one number, big-endian; at most seven, so that it is never negative. */
    public long unsigned() {
        if (isEmpty() || length() > 7) throw new IllegalStateException("length: " + length() + " (expected 1..7)");
        long value = 0;
        for (int i = 0; i < length(); i++) value = value << 8 | u8(i);
        return value;
    }

    /** @return four octets from the index, big-endian, 0..4294967295 */
    public long u32(int index) {
        return (long) u16(index) << 16 | u16(index + 2);
    }

    public int length() {
        return octets.length;
    }

    public boolean isEmpty() {
        return octets.length == 0;
    }

    public Bytes slice(int start, int length) {
        return new Bytes(Arrays.copyOfRange(octets, start, start + length));
    }

    public Bytes from(int start) {
        return slice(start, octets.length - start);
    }

    public Bytes plus(Bytes more) {
        byte[] all = Arrays.copyOf(octets, octets.length + more.octets.length);
        System.arraycopy(more.octets, 0, all, octets.length, more.octets.length);
        return new Bytes(all);
    }

    /** Takes octets that it neither keeps nor changes. */
    @FunctionalInterface
    public interface Sink<E extends Exception> {
        void take(byte[] octets) throws E;
    }

    /** Hands all octets over without copying them first. */
    public <E extends Exception> void to(Sink<E> sink) throws E {
        sink.take(octets);
    }

    /** Copies the first octets into an array, from an index of it on. */
    public void copyInto(byte[] target, int at, int length) {
        System.arraycopy(octets, 0, target, at, length);
    }

    public boolean startsWith(Bytes head) {
        return octets.length >= head.octets.length
                && Arrays.equals(octets, 0, head.octets.length, head.octets, 0, head.octets.length);
    }

    public boolean allAre(int value) {
        for (byte octet : octets) {
            if ((octet & 0xFF) != value) return false;
        }
        return octets.length > 0;
    }

    public byte[] toArray() {
        return octets.clone();
    }

    /** ISO 8859-1 text of all octets, not trimmed. */
    public String text() {
        return new String(octets, java.nio.charset.StandardCharsets.ISO_8859_1);
    }

    public String hex() {
        return HEX.formatHex(octets);
    }

    /** Hex with a blank between octets, for people. */
    public String spaced() {
        return HEX.withDelimiter(" ").formatHex(octets);
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof Bytes bytes && Arrays.equals(octets, bytes.octets);
    }

    @Override
    public int hashCode() {
        return Arrays.hashCode(octets);
    }

    @Override
    public String toString() {
        return hex();
    }
}
