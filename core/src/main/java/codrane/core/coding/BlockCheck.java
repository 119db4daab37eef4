package codrane.core.coding;

import codrane.core.octets.Bytes;
import codrane.core.octets.Checksums;

/**
 * The check field of a block.
 *
 * @param start first octet covered
 * @param length octets covered
 * @param at octet at which the check stands
 * @param little least significant octet first
 */
public record BlockCheck(Kind kind, int start, int length, int at, boolean little) {
    /** The algorithms. */
    public enum Kind {
        NONE(0),
        SUM8(1),
        XOR8(1),
        CRC8_J1850(1),
        CRC16_CCITT_FALSE(2),
        CRC32(4);

        private final int octets;

        Kind(int octets) {
            this.octets = octets;
        }

        public int octets() {
            return octets;
        }
    }

    public static final BlockCheck NONE = new BlockCheck(Kind.NONE, 0, 0, 0, false);

    /** The block with its check made right. */
    public Bytes apply(Bytes block) {
        byte[] octets = block.toArray();
        long check = compute(block);
        int width = kind.octets();
        for (int i = 0; i < width; i++) {
            int shift = 8 * (little ? i : width - 1 - i);
            octets[at + i] = (byte) (check >>> shift);
        }
        return Bytes.copyOf(octets);
    }

    public boolean holds(Bytes block) {
        return apply(block).equals(block);
    }

    private long compute(Bytes block) {
        Bytes covered = block.slice(start, length);
        return switch (kind) {
            case NONE -> 0;
            case SUM8 -> Checksums.sum8(covered);
            case XOR8 -> Checksums.xor8(covered);
            case CRC8_J1850 -> Checksums.crc8J1850(covered);
            case CRC16_CCITT_FALSE -> Checksums.crc16CcittFalse(covered);
            case CRC32 -> Checksums.crc32(covered);
        };
    }
}
