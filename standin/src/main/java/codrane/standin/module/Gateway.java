package codrane.standin.module;

import codrane.core.gateway.SignedGrant;
import codrane.core.pack.Pack.Family;
import codrane.core.pack.Pack.GatewayPolicy;
import codrane.core.pack.Pack.Locked;
import codrane.core.pack.PackModule;
import codrane.core.vin.Vin;
import codrane.standin.module.Surroundings.Passage;
import java.security.PublicKey;
import java.time.Instant;
import java.util.Optional;
import java.util.Set;

/** A vehicle's secure gateway: lets reads pass, and the rest only while a grant of its authority holds. */
public final class Gateway {
    /** Routine that takes a token. */
    static final int TOKEN_ROUTINE = 0x0301;

    private static final Set<Integer> READS = Set.of(0x01, 0x03, 0x07, 0x09, 0x0A, 0x10, 0x19, 0x22, 0x24, 0x29, 0x3E);

    private static final int CLEAR = 0x14;
    private static final int OBD_CLEAR = 0x04;
    private static final int ROUTINE = 0x31;

    private final Optional<GatewayPolicy> policy;
    private final Vin vin;
    private final PublicKey authority;
    private Instant until = Instant.MIN;

    /** @param policy absent: this vehicle has no gateway */
    public Gateway(Optional<GatewayPolicy> policy, Vin vin, PublicKey authority) {
        this.policy = policy;
        this.vin = vin;
        this.authority = authority;
    }

    /** What became of a grant. */
    enum Verdict {
        ACCEPTED,
        WRONG_TIME,
        WRONG_SIGNATURE,
        WRONG_VEHICLE
    }

    public boolean there() {
        return policy.isPresent();
    }

    /** Whether the module is the gateway and is authorised this way. */
    boolean is(PackModule module, Family family) {
        return policy.filter(p -> p.module().equals(module.id()) && p.family() == family)
                .isPresent();
    }

    /** End of the authorisation, or empty when there is none now. */
    public Optional<Instant> authorisedUntil(Instant now) {
        return now.isBefore(until) ? Optional.of(until) : Optional.empty();
    }

    /** Judges without opening: a certificate's holder must still prove to own it. */
    Verdict judge(SignedGrant grant, Instant now) {
        if (!grant.signedBy(authority)) return Verdict.WRONG_SIGNATURE;
        if (!grant.grant().vin().equals(vin.text())) return Verdict.WRONG_VEHICLE;
        return grant.grant().holdsAt(now) ? Verdict.ACCEPTED : Verdict.WRONG_TIME;
    }

    void open(SignedGrant grant) {
        until = grant.grant().until();
    }

    public void close() {
        until = Instant.MIN;
    }

    public Passage passage(PackModule module, int service, Instant now) {
        if (policy.isEmpty() || now.isBefore(until) || READS.contains(service)) return Passage.PASSES;
        if (service == ROUTINE && is(module, Family.TOKEN)) return Passage.PASSES; // that is how it is opened
        boolean claims = policy.get().locked() == Locked.CLAIMS_DONE && (service == CLEAR || service == OBD_CLEAR);
        return claims ? Passage.CLAIMED : Passage.REFUSED;
    }
}
