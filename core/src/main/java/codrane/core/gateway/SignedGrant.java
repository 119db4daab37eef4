package codrane.core.gateway;

import codrane.core.octets.Bytes;
import codrane.core.octets.DecodeResult;
import codrane.core.octets.WireWriter;
import java.nio.charset.StandardCharsets;
import java.security.GeneralSecurityException;
import java.security.KeyFactory;
import java.security.PrivateKey;
import java.security.PublicKey;
import java.security.Signature;
import java.security.spec.X509EncodedKeySpec;
import java.util.Optional;

/**
 * A grant with its authority's signature: as a token without a holder's key, as a certificate with it. Each part is
 * preceded by its length in two octets. The layout is this project's own; signatures are ECDSA over P-256 and SHA-256.
 *
 * @param holderKey public key of the one who must prove to hold it (X.509 form); empty in a token
 * @param signature of the authority over grant and key
 */
public record SignedGrant(AccessGrant grant, Bytes holderKey, Bytes signature) {
    private static final String ALGORITHM = "SHA256withECDSA";

    public static SignedGrant sign(AccessGrant grant, Bytes holderKey, PrivateKey authority) {
        return new SignedGrant(grant, holderKey, sign(content(grant, holderKey), authority));
    }

    public Bytes encode() {
        return content(grant, holderKey).plus(new WireWriter().sized(signature).written());
    }

    public static DecodeResult<SignedGrant> decode(Bytes octets) {
        return DecodeResult.read(octets, in -> {
            Bytes text = in.sized("grant");
            Bytes key = in.sized("key");
            Bytes signature = in.sized("signature");
            Optional<AccessGrant> grant = AccessGrant.parse(new String(text.toArray(), StandardCharsets.UTF_8));
            in.check(grant.isPresent(), octets.length(), "a grant", "other text");
            return new SignedGrant(grant.orElseThrow(), key, signature);
        });
    }

    public boolean signedBy(PublicKey authority) {
        return verify(content(grant, holderKey), signature, authority);
    }

    /** Whether the holder of the certificate's key signed the challenge. */
    public boolean proves(Bytes challenge, Bytes proof) {
        try {
            PublicKey key = KeyFactory.getInstance("EC").generatePublic(new X509EncodedKeySpec(holderKey.toArray()));
            return verify(challenge, proof, key);
        } catch (GeneralSecurityException e) {
            return false; // what came as a key is none
        }
    }

    /** ECDSA over P-256 and SHA-256, DER form. */
    public static Bytes sign(Bytes content, PrivateKey key) {
        try {
            Signature signature = Signature.getInstance(ALGORITHM);
            signature.initSign(key);
            signature.update(content.toArray());
            return Bytes.copyOf(signature.sign());
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException("every Java platform signs with ECDSA", e);
        }
    }

    private static boolean verify(Bytes content, Bytes signature, PublicKey key) {
        try {
            Signature verifier = Signature.getInstance(ALGORITHM);
            verifier.initVerify(key);
            verifier.update(content.toArray());
            return verifier.verify(signature.toArray());
        } catch (GeneralSecurityException e) {
            return false; // what came as a signature is none
        }
    }

    private static Bytes content(AccessGrant grant, Bytes holderKey) {
        Bytes text = Bytes.copyOf(grant.text().getBytes(StandardCharsets.UTF_8));
        return new WireWriter().sized(text).sized(holderKey).written();
    }
}
