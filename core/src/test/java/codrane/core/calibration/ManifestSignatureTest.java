package codrane.core.calibration;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.calibration.ManifestSignature.Judged;
import java.security.KeyPair;
import java.security.KeyPairGenerator;
import java.util.Base64;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class ManifestSignatureTest {
    private static final KeyPair MAKER = keys();
    private static final Manifest MANIFEST = new Manifest(
            "LFT-312-B",
            "brennick-lorne",
            "tail-lift",
            "Tail lift 3.12",
            List.of("B2", "B3"),
            List.of("3.09"),
            "3.12",
            7,
            0xCAFEL,
            "ab",
            "");

    private static KeyPair keys() {
        try {
            return KeyPairGenerator.getInstance("Ed25519").generateKeyPair();
        } catch (java.security.NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }

    private static Optional<String> key(KeyPair keys) {
        return Optional.of(Base64.getEncoder().encodeToString(keys.getPublic().getEncoded()));
    }

    @Test
    void judge_whatTheMakerSigned_isTheMakers() {
        Manifest signed = ManifestSignature.sign(MANIFEST, MAKER.getPrivate());
        assertThat(ManifestSignature.judge(signed, key(MAKER))).isEqualTo(Judged.MAKERS);
        assertThat(ManifestSignature.judge(signed, key(keys()))).isEqualTo(Judged.FOREIGN);
        assertThat(ManifestSignature.judge(signed, Optional.empty())).isEqualTo(Judged.NO_KEY);
        assertThat(ManifestSignature.judge(MANIFEST, key(MAKER))).isEqualTo(Judged.MISSING);
    }

    /** Each member is under the signature, and where one ends and the next begins, too. */
    @Test
    void judge_anyMemberChanged_isForeign() {
        String signature = ManifestSignature.sign(MANIFEST, MAKER.getPrivate()).signature();
        List<Manifest> changed = List.of(
                other(
                        "x",
                        "brennick-lorne",
                        "tail-lift",
                        List.of("B2", "B3"),
                        List.of("3.09"),
                        "3.12",
                        7,
                        0xCAFEL,
                        "ab"),
                other("LFT-312-B", "x", "tail-lift", List.of("B2", "B3"), List.of("3.09"), "3.12", 7, 0xCAFEL, "ab"),
                other(
                        "LFT-312-B",
                        "brennick-lorne",
                        "x",
                        List.of("B2", "B3"),
                        List.of("3.09"),
                        "3.12",
                        7,
                        0xCAFEL,
                        "ab"),
                other(
                        "LFT-312-B",
                        "brennick-lorne",
                        "tail-lift",
                        List.of("B2"),
                        List.of("3.09"),
                        "3.12",
                        7,
                        0xCAFEL,
                        "ab"),
                other(
                        "LFT-312-B",
                        "brennick-lorne",
                        "tail-lift",
                        List.of("B2B3"),
                        List.of("3.09"),
                        "3.12",
                        7,
                        0xCAFEL,
                        "ab"),
                other(
                        "LFT-312-B",
                        "brennick-lorne",
                        "tail-lift",
                        List.of("B2", "B3"),
                        List.of(),
                        "3.12",
                        7,
                        0xCAFEL,
                        "ab"),
                other(
                        "LFT-312-B",
                        "brennick-lorne",
                        "tail-lift",
                        List.of("B2", "B3"),
                        List.of("3.09"),
                        "3.13",
                        7,
                        0xCAFEL,
                        "ab"),
                other(
                        "LFT-312-B",
                        "brennick-lorne",
                        "tail-lift",
                        List.of("B2", "B3"),
                        List.of("3.09"),
                        "3.12",
                        8,
                        0xCAFEL,
                        "ab"),
                other(
                        "LFT-312-B",
                        "brennick-lorne",
                        "tail-lift",
                        List.of("B2", "B3"),
                        List.of("3.09"),
                        "3.12",
                        7,
                        0xCAFFL,
                        "ab"),
                other(
                        "LFT-312-B",
                        "brennick-lorne",
                        "tail-lift",
                        List.of("B2", "B3"),
                        List.of("3.09"),
                        "3.12",
                        7,
                        0xCAFEL,
                        "ac"));
        for (Manifest manifest : changed)
            assertThat(ManifestSignature.judge(manifest.signedWith(signature), key(MAKER)))
                    .as(manifest.toString())
                    .isEqualTo(Judged.FOREIGN);
        for (String text : List.of("AAAA", "no Base64!", signature.substring(4)))
            assertThat(ManifestSignature.judge(MANIFEST.signedWith(text), key(MAKER)))
                    .isEqualTo(Judged.FOREIGN);
    }

    private static Manifest other(
            String id,
            String pack,
            String module,
            List<String> hardware,
            List<String> before,
            String after,
            long size,
            long crc32,
            String sha256) {
        return new Manifest(id, pack, module, "Tail lift 3.12", hardware, before, after, size, crc32, sha256, "");
    }
}
