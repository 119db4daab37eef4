package codrane.core.timing;

import codrane.core.octets.Bytes;

/**
 * Length of a CAN FD data frame on the wire, apart for both bit rates: dynamic stuff bits up to the data's end, then a
 * stuff count and CRC-17 or CRC-21 with fixed stuff bits. The switch of rates counts from the bit after BRS to the last
 * CRC bit; the standard switches within the BRS bit and the CRC delimiter, less than one bit away. Source: unchecked
 * (ISO 11898-1).
 *
 * @param nominal bits at the arbitration rate, gap included
 * @param data bits at the data rate; 0 without bit rate switch
 */
public record CanFdFrameBits(int nominal, int data) {
    /** Stuff count, CRC-17 and their fixed stuff bits. */
    private static final int CRC17_BITS = 27;

    /** Stuff count, CRC-21 and their fixed stuff bits. */
    private static final int CRC21_BITS = 32;

    private static final int MOST_WITH_CRC17 = 16;
    private static final int TAIL_BITS = 13;

    /** Octets that a frame can carry. */
    private static final int[] LENGTHS = {0, 1, 2, 3, 4, 5, 6, 7, 8, 12, 16, 20, 24, 32, 48, 64};

    /** @return the least length that a frame can have and that holds so many octets, 0..64 */
    public static int length(int octets) {
        return LENGTHS[code(octets)];
    }

    /** @return the data length code, 0..15, of the least frame that holds so many octets, 0..64 */
    public static int code(int octets) {
        for (int code = 0; code < LENGTHS.length; code++) if (LENGTHS[code] >= octets) return code;
        throw new IllegalArgumentException("data: " + octets + " (expected 0..64 octets)");
    }

    /**
     * @param id 0..0x7FF, or 0..0x1FFFFFFF when extended
     * @param switched whether the data goes at the faster rate
     * @param data of a length that a frame can have
     */
    public static CanFdFrameBits of(int id, boolean extended, boolean switched, Bytes data) {
        int code = code(data.length());
        if (LENGTHS[code] != data.length()) {
            throw new IllegalArgumentException("data: " + data.length() + " (expected a length of CAN FD)");
        }
        BitStuffing stuffing = new BitStuffing();
        int front = extended ? 36 : 17;
        stuffing.bits(front(id, extended, switched), front);
        int nominal = front + stuffing.stuffed();
        stuffing.bits(code, 5); // error state indicator 0, length
        int last = code & 1;
        for (int i = 0; i < data.length(); i++) {
            stuffing.octet(data.u8(i));
            last = data.u8(i) & 1;
        }
        // a fixed stuff bit follows the data anyway: it takes the place of a dynamic one
        int dynamic = stuffing.stuffed() - (stuffing.justStuffed(last) ? 1 : 0);
        int rest = 5
                + 8 * data.length()
                + (front + dynamic - nominal)
                + (data.length() <= MOST_WITH_CRC17 ? CRC17_BITS : CRC21_BITS);
        return switched
                ? new CanFdFrameBits(nominal + TAIL_BITS, rest)
                : new CanFdFrameBits(nominal + rest + TAIL_BITS, 0);
    }

    /** Start of frame to bit rate switch. */
    private static long front(int id, boolean extended, boolean switched) {
        int brs = switched ? 1 : 0;
        if (!extended) return (long) id << 5 | 0b00100 | brs; // RRS 0, IDE 0, FDF 1, reserved 0
        long base = (long) (id >> 18) << 2 | 0b11; // substitute remote request, identifier extension
        return (base << 18 | id & 0x3FFFF) << 4 | 0b0100 | brs; // RRS 0, FDF 1, reserved 0
    }

    /** @return nanoseconds on a bus with these rates */
    public long nanos(long nominalRate, long dataRate) {
        return nominal * 1_000_000_000L / nominalRate + data * 1_000_000_000L / dataRate;
    }
}
