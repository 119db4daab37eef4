package codrane.core.octets;

import java.util.ArrayList;
import java.util.List;

/** Writes octets in order, most significant first: what {@link WireReader} reads. */
public final class WireWriter {
    private final List<Bytes> parts = new ArrayList<>();

    /** @param value 0..0xFF */
    public WireWriter u8(int value) {
        return number(value, 1);
    }

    /** @param value 0..0xFFFF */
    public WireWriter u16(int value) {
        return number(value, 2);
    }

    /** @param value 0..0xFFFFFF */
    public WireWriter u24(int value) {
        return number(value, 3);
    }

    /** @param value 0..2^32-1 */
    public WireWriter u32(long value) {
        return number(value, 4);
    }

    /**
     * @param value 0..256^octets-1; higher digits are left out
     * @param octets that it takes, 0..8
     */
    public WireWriter number(long value, int octets) {
        byte[] digits = new byte[octets];
        for (int at = 0; at < octets; at++) digits[at] = (byte) (value >> 8 * (octets - 1 - at));
        return bytes(Bytes.owning(digits));
    }

    public WireWriter bytes(Bytes value) {
        parts.add(value);
        return this;
    }

    /** A field with its length in two octets in front. */
    public WireWriter sized(Bytes value) {
        return u16(value.length()).bytes(value);
    }

    public Bytes written() {
        return Bytes.join(parts.toArray(Bytes[]::new));
    }
}
