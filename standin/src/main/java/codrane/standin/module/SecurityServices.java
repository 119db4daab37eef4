package codrane.standin.module;

import codrane.core.gateway.SignedGrant;
import codrane.core.octets.Bytes;
import codrane.core.octets.DecodeResult.Decoded;
import codrane.core.pack.Pack.Family;
import codrane.core.pack.PackModule;
import codrane.core.uds.ResponseCode.Known;
import codrane.core.uds.Service;
import java.time.Duration;
import java.util.Map;
import java.util.Optional;
import java.util.Random;

/** SecurityAccess; Authentication where the module is a gateway of the certificate family. */
final class SecurityServices implements ServiceGroup {
    private static final int CHALLENGE_OCTETS = 32;
    private static final Duration VERIFYING = Duration.ofMillis(120);

    /** Authentication return parameters. */
    private static final int DEAUTHENTICATED = 0x10;

    private static final int OWNERSHIP_NEEDED = 0x11;
    private static final int COMPLETE = 0x12;
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
    public void serve(Service service, UdsRequest request, Answer answer) {
        if (service == Service.AUTHENTICATION) authenticate(request, answer);
        else if (request.subFunction() == session.pack().securityLevel()) seed(request, answer);
        else key(request, answer);
    }

    private void seed(UdsRequest request, Answer answer) {
        if (request.length() != 2) {
            answer.refuse(Known.INCORRECT_MESSAGE_LENGTH);
            return;
        }
        session.newSeed()
                .ifPresentOrElse(
                        seed -> answer.positive(Bytes.of(request.subFunction()).plus(seed)),
                        () -> answer.refuse(Known.TIME_DELAY_NOT_EXPIRED));
    }

    private void key(UdsRequest request, Answer answer) {
        if (request.length() != 6) {
            answer.refuse(Known.INCORRECT_MESSAGE_LENGTH);
            return;
        }
        session.tryKey(request.from(2))
                .ifPresentOrElse(answer::refuse, () -> answer.positive(Bytes.of(request.subFunction())));
    }

    private void authenticate(UdsRequest request, Answer answer) {
        switch (request.subFunction()) {
            case 0x00 -> {
                around.gateway().close();
                answer.positive(Bytes.of(0x00, DEAUTHENTICATED));
            }
            case 0x01 -> verifyCertificate(request, answer);
            case 0x03 -> proofOfOwnership(request, answer);
            default -> answer.positive(Bytes.of(0x08, ASYMMETRIC_WITH_CERTIFICATE));
        }
    }

    private void verifyCertificate(UdsRequest request, Answer answer) {
        Optional<Bytes> octets = sized(request, 3);
        if (octets.isEmpty()) {
            answer.refuse(Known.INCORRECT_MESSAGE_LENGTH);
        } else if (!(SignedGrant.decode(octets.get()) instanceof Decoded<SignedGrant>(SignedGrant grant))) {
            answer.refuse(Known.CERTIFICATE_SIGNATURE_INVALID);
        } else {
            switch (around.gateway().judge(grant, around.now())) {
                case WRONG_SIGNATURE -> answer.refuse(Known.CERTIFICATE_SIGNATURE_INVALID);
                case WRONG_VEHICLE -> answer.refuse(Known.CERTIFICATE_SCOPE_INVALID);
                case WRONG_TIME -> answer.refuse(Known.CERTIFICATE_TIME_INVALID);
                case ACCEPTED -> challenge(grant, answer);
            }
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
                Bytes.of(0x01, OWNERSHIP_NEEDED, 0, CHALLENGE_OCTETS)
                        .plus(challenge)
                        .plus(Bytes.of(0, 0)));
    }

    private void proofOfOwnership(UdsRequest request, Answer answer) {
        Optional<Bytes> proof = sized(request, 2);
        if (certificate.isEmpty()) {
            answer.refuse(Known.REQUEST_SEQUENCE_ERROR);
        } else if (proof.isEmpty()) {
            answer.refuse(Known.INCORRECT_MESSAGE_LENGTH);
        } else if (!certificate.get().proves(challenge, proof.get())) {
            certificate = Optional.empty();
            answer.refuse(Known.OWNERSHIP_FAILED);
        } else {
            SignedGrant owned = certificate.get();
            certificate = Optional.empty();
            answer.after(VERIFYING, () -> around.gateway().open(owned), Bytes.of(0x03, COMPLETE, 0, 0));
        }
    }

    /** A field with its length in two octets in front, and another field behind it. */
    private static Optional<Bytes> sized(UdsRequest request, int at) {
        if (request.length() < at + 4) return Optional.empty();
        int length = request.u16(at);
        boolean whole = request.length() >= at + 2 + length + 2;
        return whole ? Optional.of(request.message().slice(at + 2, length)) : Optional.empty();
    }
}
