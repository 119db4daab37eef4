package codrane.link.gateway;

import codrane.core.gateway.SignedGrant;
import codrane.core.octets.Bytes;
import codrane.core.pack.Pack;
import codrane.core.pack.PackLink.Waits;
import codrane.core.pack.PackModule;
import codrane.core.run.Reply;
import codrane.core.uds.UdsRequest;
import codrane.core.uds.UdsRequest.ControlDtcSetting;
import codrane.core.uds.UdsRequest.DiagnosticSessionControl;
import codrane.core.uds.UdsRequest.ProofOfOwnership;
import codrane.core.uds.UdsRequest.RoutineControl;
import codrane.core.uds.UdsRequest.VerifyCertificateUnidirectional;
import codrane.core.uds.UdsResponse;
import codrane.link.DiagnosticLink;
import java.security.PrivateKey;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** Hands a grant to a vehicle's gateway, in the way of its family. */
public final class GatewayAccess {
    private static final int TOKEN_ROUTINE = 0x0301;
    private static final int DEFAULT_SESSION = 0x01;

    private final DiagnosticLink link;
    private final Pack pack;

    /** @param pack of a vehicle with a gateway */
    public GatewayAccess(DiagnosticLink link, Pack pack) {
        this.link = link;
        this.pack = pack;
    }

    /**
     * @param key of the certificate's holder; not used for a token
     * @return why not, as a sentence, or empty when the gateway says that it is open: re-read before believing it
     */
    public Optional<String> open(SignedGrant grant, PrivateKey key) {
        return switch (pack.gateway().orElseThrow().family()) {
            case TOKEN -> token(grant);
            case CERTIFICATE -> certificate(grant, key);
        };
    }

    /**
     * Whether the gateway is open, judged by what it does: something harmless that a locked one refuses is asked for.
     * Nothing is changed by it.
     */
    public boolean letsThrough() {
        PackModule module = pack.module(pack.vinReference());
        Waits waits = new Waits(module.session().p2(), module.session().p2Star());
        Bytes extended = new DiagnosticSessionControl(module.session().extended()).encode();
        Reply session = link.request(module.address(), extended, waits);
        Reply harmless = link.request(module.address(), new ControlDtcSetting(ControlDtcSetting.ON).encode(), waits);
        link.request(module.address(), new DiagnosticSessionControl(DEFAULT_SESSION).encode(), waits);
        return session instanceof Reply.Positive && harmless instanceof Reply.Positive;
    }

    private Optional<String> token(SignedGrant grant) {
        return switch (ask(RoutineControl.start(TOKEN_ROUTINE, grant.encode()))) {
            case Reply.Positive positive -> Optional.empty();
            case Reply other -> Optional.of(words("The gateway does not take the token", other));
        };
    }

    private Optional<String> certificate(SignedGrant grant, PrivateKey key) {
        Reply challenged = ask(new VerifyCertificateUnidirectional(0, grant.encode(), Bytes.EMPTY));
        if (!(response(challenged)
                instanceof UdsResponse.VerifyCertificateUnidirectional(int needs, Bytes challenge, Bytes ephemeral)))
            return Optional.of(words("The gateway does not take the certificate", challenged));
        Reply proven = ask(new ProofOfOwnership(SignedGrant.sign(challenge, key), Bytes.EMPTY));
        boolean complete = response(proven) instanceof UdsResponse.ProofOfOwnership(int returned, Bytes sessionKey)
                && returned == UdsResponse.ProofOfOwnership.COMPLETE;
        return complete ? Optional.empty() : Optional.of(words("The gateway does not take the proof", proven));
    }

    private static @Nullable UdsResponse response(Reply reply) {
        return reply instanceof Reply.Positive positive ? positive.response() : null;
    }

    private Reply ask(UdsRequest request) {
        PackModule module = pack.module(pack.gateway().orElseThrow().module());
        return link.request(
                module.address(),
                request.encode(),
                new Waits(module.session().p2(), module.session().p2Star()));
    }

    private static String words(String what, Reply reply) {
        return switch (reply) {
            case Reply.Refused(var code) -> what + ": " + code.words() + ".";
            case Reply.Silent silent -> what + ": it is silent.";
            case Reply.Positive positive -> what + ": its answer is not what was expected.";
        };
    }
}
