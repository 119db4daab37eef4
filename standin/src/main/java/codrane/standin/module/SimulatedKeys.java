package codrane.standin.module;

import codrane.core.access.KeyProvider;
import codrane.core.octets.Bytes;
import codrane.core.pack.PackModule;
import java.util.Optional;

/** The made-up key computation of the simulated vehicles. No real module uses it, and it protects nothing. */
public final class SimulatedKeys implements KeyProvider {
    @Override
    public Optional<Bytes> keyFor(PackModule module, Bytes seed) {
        return seed.length() == 4 ? Optional.of(of(seed, module.session().securityMask())) : Optional.empty();
    }

    /**
     * @param seed four octets as the module sent them
     * @param mask parameter from the pack, 0..2^32-1
     */
    static Bytes of(Bytes seed, long mask) {
        int mixed = (int) (seed.u32(0) ^ mask);
        int key = Integer.rotateLeft(mixed, 7) + 0x0C0D5A1E;
        return Bytes.of(key >>> 24, key >>> 16 & 0xFF, key >>> 8 & 0xFF, key & 0xFF);
    }
}
