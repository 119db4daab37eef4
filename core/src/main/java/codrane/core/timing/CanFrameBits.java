package codrane.core.timing;

import codrane.core.octets.Bytes;

/**
 * Exact length of a classic CAN data frame on the wire: SOF to CRC with the stuff bits of the real content, CRC
 * delimiter, acknowledge slot and delimiter, seven bits end of frame and three bits gap. Source: unchecked (ISO
 * 11898-1).
 */
public final class CanFrameBits {
    private static final int CRC_POLYNOMIAL = 0x4599;
    private static final int CRC_BITS = 15;
    private static final int TAIL_BITS = 13;
    private static final int[] CRC_OF_OCTET = crcTable();

    private CanFrameBits() {}

    /**
     * @param id 0..0x7FF, or 0..0x1FFFFFFF when extended
     * @param data 0 to 8 octets
     * @return bits on the wire, gap included
     */
    public static int of(int id, boolean extended, Bytes data) {
        if (data.length() > 8) throw new IllegalArgumentException("data: " + data.length() + " (expected 0..8 octets)");
        BitStuffing stuffing = new BitStuffing();
        int headerBits = extended ? 39 : 19;
        long header = header(id, extended, data.length());
        int crc = crcOfHeader(header, headerBits);
        stuffing.bits(header, headerBits);
        for (int i = 0; i < data.length(); i++) {
            int octet = data.u8(i);
            crc = crcOfOctet(crc, octet);
            stuffing.octet(octet);
        }
        stuffing.bits(crc, CRC_BITS);
        return headerBits + 8 * data.length() + CRC_BITS + stuffing.stuffed() + TAIL_BITS;
    }

    /** Start of frame, identifier, remote request, identifier extension, reserved bits and length. */
    private static long header(int id, boolean extended, int length) {
        if (!extended) return (long) id << 7 | length;
        long front = (long) (id >> 18) << 2 | 0b11; // substitute remote request, identifier extension
        return (front << 18 | id & 0x3FFFF) << 7 | length;
    }

    private static int crcOfHeader(long header, int bits) {
        int crc = 0;
        int left = bits;
        for (; left >= 8; left -= 8) crc = crcOfOctet(crc, (int) (header >> (left - 8) & 0xFF));
        for (int i = left - 1; i >= 0; i--) crc = crcOfBit(crc, (int) (header >> i & 1));
        return crc;
    }

    private static int crcOfOctet(int crc, int octet) {
        return (crc << 8 & 0x7FFF) ^ CRC_OF_OCTET[crc >> 7 ^ octet];
    }

    private static int crcOfBit(int crc, int bit) {
        int shifted = crc << 1 & 0x7FFF;
        return (crc >> 14 ^ bit) == 1 ? shifted ^ CRC_POLYNOMIAL : shifted;
    }

    private static int[] crcTable() {
        int[] table = new int[256];
        for (int octet = 0; octet < 256; octet++) {
            int crc = octet << 7;
            for (int bit = 0; bit < 8; bit++) crc = (crc & 0x4000) != 0 ? crc << 1 ^ CRC_POLYNOMIAL : crc << 1;
            table[octet] = crc & 0x7FFF;
        }
        return table;
    }
}
