package codrane.core.calibration;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.calibration.ManifestSignature.Judged;
import java.security.KeyPair;
import java.security.KeyPairGenerator;
import java.util.Base64;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class ManifestSignatureTest {
    private static final KeyPair MAKER = keys();
    private static final Map<String, String> MEMBERS = Map.ofEntries(
            Map.entry("id", "LFT-312-B"),
            Map.entry("pack", "brennick-lorne"),
            Map.entry("module", "tail-lift"),
            Map.entry("title", "Tail lift 3.12"),
            Map.entry("hardware", "B2,B3"),
            Map.entry("before", "3.09"),
            Map.entry("after", "3.12"),
            Map.entry("size", "7"),
            Map.entry("crc32", "51966"),
            Map.entry("sha256", "ab"));
    private static final Manifest MANIFEST = manifest(MEMBERS);

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
                with("id", "x"),
                with("pack", "x"),
                with("module", "x"),
                with("title", "x"),
                with("hardware", "B2"),
                with("hardware", "B2B3"),
                with("before", "3.08"),
                with("after", "3.13"),
                with("size", "8"),
                with("crc32", "9"),
                with("sha256", "ac"));
        for (Manifest manifest : changed)
            assertThat(ManifestSignature.judge(manifest.signedWith(signature), key(MAKER)))
                    .as(manifest.toString())
                    .isEqualTo(Judged.FOREIGN);
        for (String text : List.of("AAAA", "no Base64!", signature.substring(4)))
            assertThat(ManifestSignature.judge(MANIFEST.signedWith(text), key(MAKER)))
                    .isEqualTo(Judged.FOREIGN);
    }

    private static Manifest with(String member, String value) {
        Map<String, String> all = new HashMap<>(MEMBERS);
        all.put(member, value);
        return manifest(all);
    }

    private static Manifest manifest(Map<String, String> m) {
        return new Manifest(
                m.getOrDefault("id", ""),
                m.getOrDefault("pack", ""),
                m.getOrDefault("module", ""),
                m.getOrDefault("title", ""),
                List.of(m.getOrDefault("hardware", "").split(",")),
                List.of(m.getOrDefault("before", "").split(",")),
                m.getOrDefault("after", ""),
                Long.parseLong(m.getOrDefault("size", "0")),
                Long.parseLong(m.getOrDefault("crc32", "0")),
                m.getOrDefault("sha256", ""),
                "");
    }
}
