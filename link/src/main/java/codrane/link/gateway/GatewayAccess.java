package codrane.link.gateway;

import codrane.core.gateway.SignedGrant;
import codrane.core.octets.Bytes;
import codrane.core.pack.Pack;
import codrane.core.pack.PackLink.Waits;
import codrane.core.pack.PackModule;
import codrane.core.run.Reply;
import codrane.core.uds.Requests;
import codrane.link.DiagnosticLink;
import java.security.PrivateKey;
import java.util.Optional;

/** Hands a grant to a vehicle's gateway, in the way of its family. */
public final class GatewayAccess {
    private static final int TOKEN_ROUTINE = 0x0301;
    private static final int COMPLETE = 0x12;
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
        Bytes extended = Requests.diagnosticSessionControl(module.session().extended());
        Reply session = link.request(module.address(), extended, waits);
        Reply harmless = link.request(module.address(), Requests.controlDtcSetting(true), waits);
        link.request(module.address(), Requests.diagnosticSessionControl(DEFAULT_SESSION), waits);
        return session instanceof Reply.Positive && harmless instanceof Reply.Positive;
    }

    private Optional<String> token(SignedGrant grant) {
        return switch (ask(Requests.startRoutine(TOKEN_ROUTINE, grant.encode()))) {
            case Reply.Positive positive -> Optional.empty();
            case Reply other -> Optional.of(words("The gateway does not take the token", other));
        };
    }

    private Optional<String> certificate(SignedGrant grant, PrivateKey key) {
        Reply challenged = ask(Requests.verifyCertificateUnidirectional(grant.encode()));
        if (!(challenged instanceof Reply.Positive(Bytes message)) || message.length() < 5) {
            return Optional.of(words("The gateway does not take the certificate", challenged));
        }
        int length = message.u16(3);
        if (message.length() < 5 + length) return Optional.of("The gateway's challenge is not whole.");
        Reply proven = ask(Requests.proofOfOwnership(SignedGrant.sign(message.slice(5, length), key)));
        boolean complete = proven instanceof Reply.Positive(Bytes end) && end.length() >= 3 && end.u8(2) == COMPLETE;
        return complete ? Optional.empty() : Optional.of(words("The gateway does not take the proof", proven));
    }

    private Reply ask(Bytes request) {
        PackModule module = pack.module(pack.gateway().orElseThrow().module());
        return link.request(
                module.address(),
                request,
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
