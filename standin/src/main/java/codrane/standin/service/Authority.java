package codrane.standin.service;

import codrane.core.gateway.AccessGrant;
import codrane.core.gateway.SignedGrant;
import codrane.core.octets.Bytes;
import java.security.GeneralSecurityException;
import java.security.KeyPair;
import java.security.KeyPairGenerator;
import java.security.PublicKey;
import java.security.spec.ECGenParameterSpec;

/** Grants passage through gateways. Its key is made anew at each start and lives in memory only. */
public final class Authority {
    private final KeyPair keys = newKeys();

    /** A key pair on P-256. */
    public static KeyPair newKeys() {
        try {
            KeyPairGenerator generator = KeyPairGenerator.getInstance("EC");
            generator.initialize(new ECGenParameterSpec("secp256r1"));
            return generator.generateKeyPair();
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException("every Java platform has P-256", e);
        }
    }

    public PublicKey publicKey() {
        return keys.getPublic();
    }

    public SignedGrant token(AccessGrant grant) {
        return SignedGrant.sign(grant, Bytes.EMPTY, keys.getPrivate());
    }

    /** @param holder who will prove to own the certificate */
    public SignedGrant certificate(AccessGrant grant, PublicKey holder) {
        return SignedGrant.sign(grant, Bytes.copyOf(holder.getEncoded()), keys.getPrivate());
    }
}
