package codrane.standin.service;

import codrane.core.octets.Bytes;
import codrane.core.octets.Checksums;
import java.security.GeneralSecurityException;
import java.security.KeyPair;
import java.security.KeyPairGenerator;
import java.security.SecureRandom;
import java.security.spec.NamedParameterSpec;

/** Keys with which the simulated makers' services sign: always the same, made of the service's name, no secret. */
public final class ServiceKeys {
    private ServiceKeys() {}

    /** Ed25519; its public key is the pack's {@code service-key}. */
    public static KeyPair of(String service) {
        byte[] seed = Bytes.parse(Checksums.sha256(
                        ("codrane stand-in " + service).getBytes(java.nio.charset.StandardCharsets.UTF_8)))
                .toArray();
        try {
            KeyPairGenerator generator = KeyPairGenerator.getInstance("Ed25519");
            generator.initialize(NamedParameterSpec.ED25519, new Fixed(seed));
            return generator.generateKeyPair();
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException("every Java platform has Ed25519", e);
        }
    }

    /** Gives the seed and nothing else: the private key of Ed25519 is these octets. */
    private static final class Fixed extends SecureRandom {
        private static final long serialVersionUID = 1;

        private final transient byte[] seed;

        Fixed(byte[] seed) {
            this.seed = seed;
        }

        @Override
        public void nextBytes(byte[] octets) {
            System.arraycopy(seed, 0, octets, 0, octets.length);
        }
    }
}
