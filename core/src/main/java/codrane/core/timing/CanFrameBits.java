package codrane.core.timing;

import codrane.core.octets.Bytes;

/**
 * Exact length of a classic CAN data frame on the wire: SOF to CRC with the stuff bits of the real content, CRC
 * delimiter, acknowledge slot and delimiter, seven bits end of frame and three bits gap. Source: unchecked (ISO
 * 11898-1).
 */
public final class CanFrameBits {
    private static final int CRC_POLYNOMIAL = 0x4599;
    private static final int TAIL_BITS = 13;

    private final boolean[] bits = new boolean[128];
    private int count;

    private CanFrameBits() {}

    /**
     * @param id 0..0x7FF, or 0..0x1FFFFFFF when extended
     * @param data 0 to 8 octets
     * @return bits on the wire, gap included
     */
    public static int of(int id, boolean extended, Bytes data) {
        if (data.length() > 8) throw new IllegalArgumentException("data: " + data.length() + " (expected 0..8 octets)");
        CanFrameBits frame = new CanFrameBits();
        frame.header(id, extended, data.length());
        for (int i = 0; i < data.length(); i++) frame.append(data.u8(i), 8);
        frame.append(frame.crc(), 15);
        return frame.count + frame.stuffBits() + TAIL_BITS;
    }

    private void header(int id, boolean extended, int length) {
        append(0, 1); // start of frame
        if (extended) {
            append(id >> 18, 11);
            append(0b11, 2); // substitute remote request, identifier extension
            append(id & 0x3FFFF, 18);
            append(0b000, 3); // remote request, two reserved
        } else {
            append(id, 11);
            append(0b000, 3); // remote request, identifier extension, reserved
        }
        append(length, 4);
    }

    private void append(int value, int width) {
        for (int i = width - 1; i >= 0; i--) bits[count++] = (value >> i & 1) == 1;
    }

    private int crc() {
        int crc = 0;
        for (int i = 0; i < count; i++) {
            boolean next = bits[i] ^ (crc & 0x4000) != 0;
            crc = crc << 1 & 0x7FFF;
            if (next) crc ^= CRC_POLYNOMIAL;
        }
        return crc;
    }

    /** After five equal bits one opposite bit goes on the wire and counts towards the next run. */
    private int stuffBits() {
        int stuffed = 0;
        int run = 0;
        boolean last = true;
        for (int i = 0; i < count; i++) {
            run = run > 0 && bits[i] == last ? run + 1 : 1;
            last = bits[i];
            if (run == 5) {
                stuffed++;
                last = !last;
                run = 1;
            }
        }
        return stuffed;
    }
}
