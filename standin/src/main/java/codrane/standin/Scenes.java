package codrane.standin;

import codrane.core.gateway.AccessGrant;
import codrane.core.gateway.SignedGrant;
import codrane.core.pack.Pack;
import codrane.core.pack.PackLink.Waits;
import codrane.core.pack.PackModule;
import codrane.core.run.Reply;
import codrane.core.run.RunAction;
import codrane.core.run.RunState;
import codrane.core.uds.UdsRequest;
import codrane.link.gateway.GatewayAccess;
import codrane.link.scan.VehicleScanner;
import codrane.standin.service.Authority;
import java.security.KeyPair;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;

/** Pieces of work in a virtual workshop, as traces are made of them. */
public final class Scenes {
    private final VirtualWorkshop workshop;

    /** @param good whether it ended as it should */
    public record End(boolean good, String sentence) {}

    public Scenes(VirtualWorkshop workshop) {
        this.workshop = workshop;
    }

    /** Every module is asked for identification, coding and faults. */
    public End scan() {
        int modules =
                new VehicleScanner(workshop.link(), pack()).scan(reading -> {}).size();
        return new End(true, modules + " modules asked");
    }

    /** Programs, writes VIN and coding, restarts and clears. */
    public End program(String module) {
        authorise();
        return ended(workshop.run(RunState.begin(workshop.tasksFor(module)), VirtualWorkshop.noJournal()));
    }

    /** Programs only. */
    public End transfer(String module) {
        authorise();
        List<codrane.core.run.RunTask> tasks = List.of(workshop.programming(module));
        return ended(workshop.run(RunState.begin(tasks), VirtualWorkshop.noJournal()));
    }

    private static End ended(RunAction end) {
        return end instanceof RunAction.Stopped stopped
                ? new End(false, "stopped: " + stopped.sentence())
                : new End(true, "finished");
    }

    /** A clear behind the gateway fails, the gateway is opened, and the clear is done; a reading proves both. */
    public End unlock() {
        boolean before = clears();
        Optional<String> refusal = authorise();
        if (refusal.isPresent()) return new End(false, refusal.get());
        boolean after = clears();
        return new End(!before && after, before ? "the gateway was not locked" : after ? "opened" : "still locked");
    }

    /** Opens the gateway, if there is one. */
    Optional<String> authorise() {
        if (!workshop.vehicle().gateway().there()) return Optional.empty();
        KeyPair holder = Authority.newKeys();
        return new GatewayAccess(workshop.link(), pack()).open(grant(holder), holder.getPrivate());
    }

    private SignedGrant grant(KeyPair holder) {
        Instant now = workshop.vehicle().now();
        AccessGrant grant = new AccessGrant(
                workshop.vin().text(),
                "PLV2-204417",
                "Pierhead Yard",
                "tech",
                now.minus(Duration.ofMinutes(1)),
                now.plus(Duration.ofHours(1)));
        return switch (pack().gateway().orElseThrow().family()) {
            case TOKEN -> workshop.authority().token(grant);
            case CERTIFICATE -> workshop.authority().certificate(grant, holder.getPublic());
        };
    }

    /** Whether clearing the reference module is let through, judged by what it does and not by what it says. */
    private boolean clears() {
        PackModule module = pack().module(pack().vinReference());
        Waits waits = VehicleScanner.waits(module);
        Reply session = workshop.link()
                .request(
                        module.address(),
                        new UdsRequest.DiagnosticSessionControl(module.session().extended()).encode(),
                        waits);
        workshop.link()
                .request(
                        module.address(),
                        new UdsRequest.ClearDiagnosticInformation(UdsRequest.ClearDiagnosticInformation.ALL_GROUPS)
                                .encode(),
                        waits);
        Reply setting = workshop.link().request(module.address(), new UdsRequest.ControlDtcSetting(1).encode(), waits);
        return session instanceof Reply.Positive && setting instanceof Reply.Positive;
    }

    private Pack pack() {
        return workshop.vehicle().pack();
    }
}
