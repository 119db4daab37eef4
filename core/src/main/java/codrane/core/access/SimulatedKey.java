package codrane.core.access;

import codrane.core.octets.Bytes;

/** The made-up key computation of the simulated vehicles. No real module uses it, and it protects nothing. */
public final class SimulatedKey {
    private SimulatedKey() {}

    /**
     * @param seed four octets as the module sent them
     * @param mask parameter from the pack, 0..2^32-1
     */
    public static Bytes of(Bytes seed, long mask) {
        int mixed = (int) (seed.u32(0) ^ mask);
        int key = Integer.rotateLeft(mixed, 7) + 0x0C0D5A1E;
        return Bytes.of(key >>> 24, key >>> 16 & 0xFF, key >>> 8 & 0xFF, key & 0xFF);
    }
}
