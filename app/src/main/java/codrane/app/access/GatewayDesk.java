package codrane.app.access;

import codrane.app.access.AuthorityClient.Told;
import codrane.app.interfaces.BenchInterface;
import codrane.app.live.RunOrder.Renewed;
import codrane.core.access.AccessCheck;
import codrane.core.access.AccessNeed;
import codrane.core.access.Authorisation;
import codrane.core.access.KnownAccount;
import codrane.core.access.WorkshopAccount;
import codrane.core.gateway.SignedGrant;
import codrane.core.octets.Bytes;
import codrane.core.pack.Pack;
import codrane.core.text.Words;
import codrane.core.tool.ToolLook;
import codrane.core.vin.Vin;
import codrane.link.DiagnosticLink;
import codrane.link.LinkLostException;
import codrane.link.gateway.GatewayAccess;
import java.security.GeneralSecurityException;
import java.security.KeyPair;
import java.security.KeyPairGenerator;
import java.security.spec.ECGenParameterSpec;
import java.time.Instant;
import java.time.InstantSource;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import org.springframework.stereotype.Component;

/** Opens gateways: asks the authority, hands the grant to the vehicle, and believes only what is let through after. */
@Component
public class GatewayDesk {
    private final Access access;
    private final AuthorityClient client;
    private final AccessStore store;
    private final InstantSource time;

    GatewayDesk(Access access, AuthorityClient client, AccessStore store, InstantSource time) {
        this.access = access;
        this.client = client;
        this.store = store;
        this.time = time;
    }

    /** A vehicle whose gateway is to be opened, in which job, by whom. */
    public record Subject(long vehicleId, long jobId, Vin vin, Pack pack, String technician) {}

    /** Newest first. */
    public List<Authorisation> ofVehicle(long vehicleId) {
        return store.ofVehicle(vehicleId);
    }

    /** By vehicle, the one that may hold now: seen open, and not seen locked since. */
    public Map<Long, Authorisation> believed(Collection<Long> vehicleIds) {
        return store.believed(vehicleIds);
    }

    /**
     * @return why not, as a sentence; empty when the gateway was seen to let something through
     * @throws BenchInterface.BusyException when something else uses the interface
     */
    public Optional<String> open(Subject subject, BenchInterface bench) {
        return open(subject, bench, request -> bench.use(subject.pack(), request))
                .why();
    }

    /** The same in the middle of a run, over its own link. */
    public Renewed renew(Subject subject, BenchInterface bench, DiagnosticLink link) {
        Opened opened = open(subject, bench, request -> request.apply(link));
        return new Renewed(opened.until(), opened.why().orElse(""));
    }

    /** Whoever has the link lets something be asked over it. */
    private interface Wire {
        Optional<String> ask(Function<DiagnosticLink, Optional<String>> request);
    }

    /** @param until end of the grant; empty when there is none, or the vehicle does not agree */
    private record Opened(Optional<Instant> until, Optional<String> why) {
        static Opened not(String why) {
            return new Opened(Optional.empty(), Optional.of(why));
        }
    }

    private Opened open(Subject subject, BenchInterface bench, Wire wire) {
        String authority = subject.pack().gateway().orElseThrow().authority();
        Optional<String> serial = bench.tool().map(ToolLook::serial);
        KnownAccount known = access.refresh(authority).orElseThrow();
        if (!known.trouble().isEmpty()) return Opened.not(known.trouble());
        Optional<AccessNeed> need = missing(known.account(), subject.technician(), serial);
        if (need.isPresent()) return Opened.not(need.get().sentence());
        try {
            return withGrant(subject, wire, authority, serial.orElseThrow());
        } catch (AuthorityException | LinkLostException e) {
            return Opened.not(Words.said(e));
        }
    }

    private Optional<AccessNeed> missing(WorkshopAccount account, String technician, Optional<String> serial) {
        return AccessCheck.first(AccessCheck.judge(account, technician, serial, time.instant()));
    }

    private Opened withGrant(Subject subject, Wire wire, String authority, String serial) {
        boolean certificate = subject.pack().gateway().orElseThrow().family() == Pack.Family.CERTIFICATE;
        KeyPair holder = newKeys(); // lives as long as this call: nothing secret is kept
        Map<String, String> given =
                new HashMap<>(Map.of("vin", subject.vin().text(), "tool", serial, "technician", subject.technician()));
        if (certificate)
            given.put("holder", Bytes.copyOf(holder.getPublic().getEncoded()).hex());
        Told told = client.act(authority, access.workshop(), "grants", given);
        if (!(told instanceof Told.Granted granted))
            return Opened.not("The authority refuses: " + ((Told.Refused) told).sentence());
        SignedGrant grant = AuthorityClient.grant(authority, granted);
        Optional<String> refusal = wire.ask(link -> {
            GatewayAccess gateway = new GatewayAccess(link, subject.pack());
            Optional<String> no = gateway.open(grant, holder.getPrivate());
            if (no.isPresent()) return Optional.of(no.get() + " The authority granted it; the vehicle does not agree.");
            return gateway.letsThrough()
                    ? Optional.<String>empty()
                    : Optional.of(
                            "The gateway said \"done\" and still refuses a harmless request: it is not believed to be open.");
        });
        keep(subject, authority, grant, refusal);
        return new Opened(refusal.isEmpty() ? Optional.of(grant.grant().until()) : Optional.empty(), refusal);
    }

    private void keep(Subject subject, String authority, SignedGrant grant, Optional<String> refusal) {
        Instant now = time.instant();
        store.add(
                new AccessStore.Subject(subject.vehicleId(), subject.jobId()),
                new Authorisation(
                        0,
                        authority,
                        grant.grant().tool(),
                        subject.technician(),
                        now,
                        grant.grant().until(),
                        refusal.isEmpty() ? Optional.of(now) : Optional.empty(),
                        refusal.isEmpty() ? Optional.empty() : Optional.of(now),
                        refusal.orElse("")));
    }

    /**
     * Looks again whether the gateway is open, and keeps it when it is not.
     *
     * @return whether something harmless was let through
     */
    public boolean stillOpen(long vehicleId, Pack pack, BenchInterface bench) {
        boolean open = bench.use(pack, link -> new GatewayAccess(link, pack).letsThrough());
        if (!open) store.end(vehicleId, "a harmless request was refused", time.instant());
        return open;
    }

    private static KeyPair newKeys() {
        try {
            KeyPairGenerator generator = KeyPairGenerator.getInstance("EC");
            generator.initialize(new ECGenParameterSpec("secp256r1"));
            return generator.generateKeyPair();
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException("every Java platform has P-256", e);
        }
    }
}
