package codrane.core.calibration;

import codrane.core.octets.Bytes;
import codrane.core.octets.WireWriter;
import java.nio.charset.StandardCharsets;
import java.security.GeneralSecurityException;
import java.security.KeyFactory;
import java.security.PrivateKey;
import java.security.PublicKey;
import java.security.Signature;
import java.security.spec.X509EncodedKeySpec;
import java.util.Base64;
import java.util.List;
import java.util.Optional;

/**
 * The signature of a maker's service under a manifest: Ed25519 (RFC 8032) over all its other members, each with its
 * length in front. With it the file is the maker's wherever it was carried; its SHA-256 is among what is signed.
 */
public final class ManifestSignature {
    private static final String ALGORITHM = "Ed25519";

    /** What a signature tells. */
    public enum Judged {
        MAKERS,
        /** There is none. */
        MISSING,
        /** There is one, and it is not that of the maker's service. */
        FOREIGN,
        /** The pack does not name the service's key. */
        NO_KEY
    }

    private ManifestSignature() {}

    public static Manifest sign(Manifest manifest, PrivateKey key) {
        try {
            Signature signature = Signature.getInstance(ALGORITHM);
            signature.initSign(key);
            signature.update(signed(manifest).toArray());
            return manifest.signedWith(Base64.getEncoder().encodeToString(signature.sign()));
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException("every Java platform signs with Ed25519", e);
        }
    }

    /** @param key of the maker's service, X.509 form in Base64, as the pack names it */
    public static Judged judge(Manifest manifest, Optional<String> key) {
        if (key.isEmpty()) return Judged.NO_KEY;
        if (manifest.signature().isEmpty()) return Judged.MISSING;
        return verifies(manifest, key.get()) ? Judged.MAKERS : Judged.FOREIGN;
    }

    private static boolean verifies(Manifest manifest, String key) {
        try {
            Base64.Decoder base64 = Base64.getDecoder();
            PublicKey maker =
                    KeyFactory.getInstance(ALGORITHM).generatePublic(new X509EncodedKeySpec(base64.decode(key)));
            Signature verifier = Signature.getInstance(ALGORITHM);
            verifier.initVerify(maker);
            verifier.update(signed(manifest).toArray());
            return verifier.verify(base64.decode(manifest.signature()));
        } catch (GeneralSecurityException | IllegalArgumentException e) {
            return false; // what came as a signature or a key is none
        }
    }

    private static Bytes signed(Manifest m) {
        WireWriter out = new WireWriter();
        for (String text : List.of(m.id(), m.pack(), m.module(), m.title(), m.softwareAfter(), m.sha256()))
            text(out, text);
        for (List<String> texts : List.of(m.hardware(), m.softwareBefore())) {
            out.u16(texts.size());
            for (String text : texts) text(out, text);
        }
        return out.number(m.size(), 8).u32(m.crc32()).written();
    }

    private static void text(WireWriter out, String text) {
        out.sized(Bytes.copyOf(text.getBytes(StandardCharsets.UTF_8)));
    }
}
