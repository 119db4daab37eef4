package codrane.core.uds;

import codrane.core.octets.WireReader;
import codrane.core.octets.WireWriter;

/**
 * Address and size with how many octets each takes. Source: unchecked (ISO 14229-1, addressAndLengthFormatIdentifier).
 *
 * @param addressOctets 1..4; other counts are a format that nobody here has, {@link #known} is false and there is
 *     neither address nor size
 * @param sizeOctets likewise
 */
public record MemoryRange(int addressOctets, int sizeOctets, long address, long size) {
    private static final int LONGEST = 4;

    /** With four octets each. */
    public static MemoryRange of(long address, long size) {
        return new MemoryRange(LONGEST, LONGEST, address, size);
    }

    /** Whether the format is one that can be read. */
    public boolean known() {
        return fits(addressOctets) && fits(sizeOctets);
    }

    private static boolean fits(int octets) {
        return octets >= 1 && octets <= LONGEST;
    }

    /** Of an unknown format all that follows is passed over. */
    static MemoryRange read(WireReader in) {
        int format = in.u8("address and length format");
        MemoryRange shape = new MemoryRange(format & 0xF, format >> 4, 0, 0);
        if (!shape.known()) {
            in.rest();
            return shape;
        }
        long address = in.number("address", shape.addressOctets);
        return new MemoryRange(shape.addressOctets, shape.sizeOctets, address, in.number("size", shape.sizeOctets));
    }

    WireWriter write(WireWriter out) {
        out.u8(sizeOctets << 4 | addressOctets);
        return known() ? out.number(address, addressOctets).number(size, sizeOctets) : out;
    }
}
