package codrane.standin.module;

import codrane.core.gateway.SignedGrant;
import codrane.core.octets.Bytes;
import codrane.core.octets.DecodeResult.Decoded;
import codrane.core.pack.Pack.Family;
import codrane.core.pack.PackModule;
import codrane.core.uds.ResponseCode.Known;
import codrane.core.uds.Service;
import codrane.core.uds.UdsRequest;
import codrane.core.uds.UdsResponse;
import java.time.Duration;
import java.util.Map;
import java.util.Optional;
import java.util.Random;

/** SecurityAccess; Authentication where the module is a gateway of the certificate family. */
final class SecurityServices implements ServiceGroup {
    private static final int CHALLENGE_OCTETS = 32;
    private static final int KEY_OCTETS = 4;
    private static final Duration VERIFYING = Duration.ofMillis(120);

    /** Authentication return parameters. */
    private static final int DEAUTHENTICATED = 0x10;

    private static final int OWNERSHIP_NEEDED = 0x11;
    private static final int ASYMMETRIC_WITH_CERTIFICATE = 0x02;

    private final PackModule module;
    private final DiagnosticSession session;
    private final Surroundings around;
    private final Random challenges;
    private Optional<SignedGrant> certificate = Optional.empty();
    private Bytes challenge = Bytes.EMPTY;

    SecurityServices(PackModule module, DiagnosticSession session, Surroundings around) {
        this.module = module;
        this.session = session;
        this.around = around;
        challenges = new Random(module.address() * 7919L);
    }

    @Override
    public Map<Service, Rule> rules() {
        int level = session.pack().securityLevel();
        Rule access = Rule.withSubFunctions(2, level, level + 1).inSession();
        return around.gateway().is(module, Family.CERTIFICATE)
                ? Map.of(Service.SECURITY_ACCESS, access, Service.AUTHENTICATION, Rule.withSubFunctions(2, 0, 1, 3, 8))
                : Map.of(Service.SECURITY_ACCESS, access);
    }

    @Override
    public void serve(UdsRequest request, Answer answer) {
        switch (request) {
            case UdsRequest.RequestSeed(int level) ->
                session.newSeed()
                        .ifPresentOrElse(
                                seed -> answer.positive(new UdsResponse.RequestSeed(level, seed)),
                                () -> answer.refuse(Known.TIME_DELAY_NOT_EXPIRED));
            case UdsRequest.SendKey(int level, Bytes key) -> key(level, key, answer);
            case UdsRequest.DeAuthenticate end -> {
                around.gateway().close();
                answer.positive(new UdsResponse.DeAuthenticate(DEAUTHENTICATED));
            }
            case UdsRequest.VerifyCertificateUnidirectional(int configuration, Bytes certificate, Bytes none) ->
                verify(certificate, answer);
            case UdsRequest.ProofOfOwnership(Bytes proof, Bytes none) -> proofOfOwnership(proof, answer);
            default -> answer.positive(new UdsResponse.AuthenticationConfiguration(ASYMMETRIC_WITH_CERTIFICATE));
        }
    }

    private void key(int level, Bytes key, Answer answer) {
        if (key.length() != KEY_OCTETS) {
            answer.refuse(Known.INCORRECT_MESSAGE_LENGTH);
            return;
        }
        session.tryKey(key).ifPresentOrElse(answer::refuse, () -> answer.positive(new UdsResponse.SendKey(level)));
    }

    private void verify(Bytes octets, Answer answer) {
        if (!(SignedGrant.decode(octets) instanceof Decoded<SignedGrant>(SignedGrant grant))) {
            answer.refuse(Known.CERTIFICATE_SIGNATURE_INVALID);
            return;
        }
        switch (around.gateway().judge(grant, around.now())) {
            case WRONG_SIGNATURE -> answer.refuse(Known.CERTIFICATE_SIGNATURE_INVALID);
            case WRONG_VEHICLE -> answer.refuse(Known.CERTIFICATE_SCOPE_INVALID);
            case WRONG_TIME -> answer.refuse(Known.CERTIFICATE_TIME_INVALID);
            case ACCEPTED -> challenge(grant, answer);
        }
    }

    private void challenge(SignedGrant grant, Answer answer) {
        byte[] random = new byte[CHALLENGE_OCTETS];
        challenges.nextBytes(random);
        certificate = Optional.of(grant);
        challenge = Bytes.copyOf(random);
        answer.after(
                VERIFYING,
                () -> {},
                new UdsResponse.VerifyCertificateUnidirectional(OWNERSHIP_NEEDED, challenge, Bytes.EMPTY));
    }

    private void proofOfOwnership(Bytes proof, Answer answer) {
        if (certificate.isEmpty()) {
            answer.refuse(Known.REQUEST_SEQUENCE_ERROR);
        } else if (!certificate.get().proves(challenge, proof)) {
            certificate = Optional.empty();
            answer.refuse(Known.OWNERSHIP_FAILED);
        } else {
            SignedGrant owned = certificate.get();
            certificate = Optional.empty();
            answer.after(
                    VERIFYING,
                    () -> around.gateway().open(owned),
                    new UdsResponse.ProofOfOwnership(UdsResponse.ProofOfOwnership.COMPLETE, Bytes.EMPTY));
        }
    }
}
