package codrane.core.gateway;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertThrows;

import codrane.core.octets.Bytes;
import java.security.KeyPair;
import java.security.KeyPairGenerator;
import java.security.spec.ECGenParameterSpec;
import java.time.Instant;
import org.junit.jupiter.api.Test;

class SignedGrantTest {
    private static final Instant FROM = Instant.parse("2026-03-02T08:00:00Z");
    private static final AccessGrant GRANT =
            new AccessGrant("0BKAM7D26RN001906", "PLV2-204417", "Pierhead Yard", "tech", FROM, FROM.plusSeconds(600));

    private static KeyPair keys() {
        try {
            KeyPairGenerator generator = KeyPairGenerator.getInstance("EC");
            generator.initialize(new ECGenParameterSpec("secp256r1"));
            return generator.generateKeyPair();
        } catch (java.security.GeneralSecurityException e) {
            throw new IllegalStateException(e);
        }
    }

    @Test
    void grant_text_roundTripsAndHoldsFromItsBeginningToBeforeItsEnd() {
        assertThat(AccessGrant.parse(GRANT.text())).contains(GRANT);
        assertThat(AccessGrant.parse("a|b|c|d|1")).isEmpty();
        assertThat(AccessGrant.parse("a|\t|c|d|1|2")).isEmpty(); // found by a million inputs
        assertThat(GRANT.holdsAt(FROM.minusSeconds(1))).isFalse();
        assertThat(GRANT.holdsAt(FROM)).isTrue();
        assertThat(GRANT.holdsAt(FROM.plusSeconds(600))).isFalse();
        assertThrows(IllegalArgumentException.class, () -> new AccessGrant("a|b", "t", "w", "p", FROM, FROM));
    }

    @Test
    void signed_byItsAuthority_everyChangedOctetIsFound() {
        KeyPair authority = keys();
        Bytes octets = SignedGrant.sign(GRANT, Bytes.parse("AABB"), authority.getPrivate())
                .encode();
        assertThat(SignedGrant.decode(octets).value().signedBy(authority.getPublic()))
                .isTrue();
        assertThat(SignedGrant.decode(octets).value().signedBy(keys().getPublic()))
                .isFalse();
        for (int i = 0; i < octets.length(); i++) {
            byte[] changed = octets.toArray();
            changed[i] ^= 0x01;
            var decoded = SignedGrant.decode(Bytes.copyOf(changed));
            assertThat(decoded.isMalformed() || !decoded.value().signedBy(authority.getPublic()))
                    .as("octet " + i)
                    .isTrue();
        }
    }

    @Test
    void decode_everyTruncation_isMalformed() {
        Bytes octets = SignedGrant.sign(GRANT, Bytes.EMPTY, keys().getPrivate()).encode();
        for (int length = 0; length < octets.length(); length++)
            assertThat(SignedGrant.decode(octets.slice(0, length)).isMalformed())
                    .isTrue();
    }

    @Test
    void proof_ofTheHolder_isOfThatChallengeOnly() {
        KeyPair holder = keys();
        SignedGrant grant =
                SignedGrant.sign(GRANT, Bytes.copyOf(holder.getPublic().getEncoded()), keys().getPrivate());
        Bytes challenge = Bytes.filled(32, 7);
        Bytes proof = SignedGrant.sign(challenge, holder.getPrivate());
        assertThat(grant.proves(challenge, proof)).isTrue();
        assertThat(grant.proves(Bytes.filled(32, 8), proof)).isFalse();
        assertThat(grant.proves(challenge, SignedGrant.sign(challenge, keys().getPrivate())))
                .isFalse();
        assertThat(new SignedGrant(GRANT, Bytes.parse("0102"), Bytes.EMPTY).proves(challenge, proof))
                .isFalse();
    }
}
