package codrane.core.access;

import codrane.core.octets.Bytes;
import codrane.core.pack.PackModule;
import java.util.Optional;

/**
 * Who knows the keys that unlock modules: a maker's service or tool; for simulated vehicles the stand-in of the interface. Nothing in
 * Codrane computes a real maker's key.
 */
@FunctionalInterface
public interface KeyProvider {
    /**
     * @param seed octets as the module sent them, not all zero
     * @return the key to send back; empty when it is not known here
     */
    Optional<Bytes> keyFor(PackModule module, Bytes seed);
}
