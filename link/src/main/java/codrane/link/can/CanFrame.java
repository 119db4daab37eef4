package codrane.link.can;

import codrane.core.octets.Bytes;
import codrane.core.timing.CanFrameBits;

/**
 * A classic CAN data frame. Source: unchecked (ISO 11898-1).
 *
 * @param id 0..0x7FF, or 0..0x1FFFFFFF when extended
 * @param data 0 to 8 octets
 */
public record CanFrame(int id, boolean extended, Bytes data) {
    public CanFrame {
        int most = extended ? 0x1FFFFFFF : 0x7FF;
        if (id < 0 || id > most) throw new IllegalArgumentException("id: %X (expected 0..%X)".formatted(id, most));
        if (data.length() > 8) throw new IllegalArgumentException("data: " + data.length() + " (expected 0..8 octets)");
    }

    /** Bits on the wire, gap included. */
    public int bits() {
        return CanFrameBits.of(id, extended, data);
    }

    /** Lower wins the bus: the identifier's eleven leading bits, then a standard frame before an extended one. */
    long priority() {
        return extended ? (long) (id >> 18) << 19 | 1L << 18 | id & 0x3FFFF : (long) id << 19;
    }
}
