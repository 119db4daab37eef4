package codrane.app.job;

import codrane.app.access.Access;
import codrane.app.access.GatewayDesk;
import codrane.app.live.JobTasks.TaskFailedException;
import codrane.app.records.AuditTrail;
import codrane.app.vehicle.BenchInterface;
import codrane.app.vehicle.Interfaces;
import codrane.core.gateway.OperationMatrix.Gateway;
import codrane.core.job.Job;
import codrane.core.job.RefusedAct;
import codrane.core.plan.Stage;
import codrane.core.tool.ToolLook;
import codrane.link.LinkLostException;
import java.time.InstantSource;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** What people do at a vehicle's gateway, and what is refused before it is sent because the gateway is locked. */
@Component
public class UnlockActs {
    private static final Acted DONE = new Acted.Done(Optional.empty());

    private final Acts acts;
    private final Readings readings;
    private final Access access;
    private final GatewayDesk gateways;
    private final RefusedActStore refusedActs;
    private final Interfaces interfaces;
    private final AuditTrail audit;
    private final InstantSource time;

    UnlockActs(
            Acts acts,
            Readings readings,
            Access access,
            GatewayDesk gateways,
            RefusedActStore refusedActs,
            Interfaces interfaces,
            AuditTrail audit,
            InstantSource time) {
        this.acts = acts;
        this.readings = readings;
        this.access = access;
        this.gateways = gateways;
        this.refusedActs = refusedActs;
        this.interfaces = interfaces;
        this.audit = audit;
        this.time = time;
    }

    /**
     * Asks the authority what it knows of the workshop.
     *
     * @return whether there is one to ask
     */
    boolean refresh(JobFacts facts) {
        return authority(facts).flatMap(access::refresh).isPresent();
    }

    private static Optional<String> authority(JobFacts facts) {
        return facts.access().there() ? facts.pack().gateway().map(g -> g.authority()) : Optional.empty();
    }

    /** What stands on the page of the stage. */
    UnlockView view(JobFacts facts, String who) {
        return UnlockView.of(facts, who, gateways.ofVehicle(facts.job().vehicleId()));
    }

    /** Adds the one who was refused as technician; for the lead. */
    public Acted addTechnician(long number, String technician, String who) {
        return acts.on(
                number,
                who,
                "added a technician at the authority",
                facts -> authority(facts)
                        .map(a -> acted(access.addTechnician(a, technician, who)))
                        .orElseGet(UnlockActs::noGateway));
    }

    /** Registers the connected tool, by the serial number that it tells itself. */
    public Acted addTool(long number, String who) {
        return acts.on(number, who, "registered the tool", facts -> {
            Optional<BenchInterface> bench = interfaces.of(facts.pack());
            Optional<ToolLook> tool = bench.flatMap(BenchInterface::tool);
            if (tool.isEmpty()) return refused("The tool does not tell its serial number. Connect it, then try again.");
            return authority(facts)
                    .map(a -> acted(access.addTool(
                            a,
                            tool.get().name(),
                            bench.orElseThrow().serialMask(),
                            tool.get().serial(),
                            who)))
                    .orElseGet(UnlockActs::noGateway);
        });
    }

    /** Has the gateway opened; then leads back to what was refused for want of it. */
    public Acted authorise(long number, String who) {
        JobFacts[] asked = new JobFacts[1];
        Acted allowed = acts.on(number, who, Stage.UNLOCK, "asked for the authorisation", facts -> {
            asked[0] = facts;
            if (!facts.access().there()) return noGateway();
            return facts.runHolds()
                    ? refused("A run is under way: the authorisation is renewed when it has ended.")
                    : DONE;
        });
        if (!(allowed instanceof Acted.Done)) return allowed;
        JobFacts facts = asked[0];
        Optional<BenchInterface> bench = interfaces.of(facts.pack());
        if (bench.isEmpty()) return refused("No interface on this computer speaks to this vehicle.");
        Job job = facts.job();
        try {
            readings.read(facts, who, link -> true);
            Optional<String> refusal = gateways.open(
                    new GatewayDesk.Subject(job.vehicleId(), job.id(), job.vin(), facts.pack(), who), bench.get());
            if (refusal.isPresent()) return refused(refusal.get());
        } catch (BenchInterface.BusyException | LinkLostException | TaskFailedException e) {
            return refused(e.getMessage());
        }
        return acts.then(number, who, "had the gateway opened", now -> {
            audit.record(
                    who, "had the gateway opened", "job " + number, job.vin().text());
            Optional<Stage> back = now.access().refused().map(RefusedAct::stage);
            refusedActs.forget(job.id());
            return new Acted.Done(back);
        });
    }

    /** A run is refused before anything is sent, and remembered so that the remedy leads back to it. */
    Acted refuse(JobFacts facts, String who) {
        String why = reason(facts) + " Nothing was sent.";
        String title = "the run, " + facts.plan().orElseThrow().plan().writes().count() + " writing steps";
        refusedActs.put(facts.job().id(), new RefusedAct(Stage.RUN, title, why, time.instant(), who));
        audit.record(
                who, "was refused by the gateway's state", "job " + facts.job().number(), why);
        return new Acted.Refused(why, Optional.of(Stage.UNLOCK));
    }

    private static String reason(JobFacts facts) {
        if (facts.access().open())
            return "Not started. The authorisation ends in "
                    + NextActs.minutes((int) facts.access().left().toSeconds()) + ", and the run takes about "
                    + NextActs.minutes(facts.writingSeconds()) + ": authorise again first.";
        if (facts.access().expired()) return "Not started. The authorisation has ended.";
        return "Not started. The gateway is locked: what writes would be refused, or answered with a \"done\" that is a lie.";
    }

    /** An authorisation that should still hold is looked at again: sleeping or a lost supply may have ended it. */
    Optional<Acted> refuseIfLocked(JobFacts facts, String who) {
        if (!(facts.gateway() instanceof Gateway.Authorised)) return Optional.empty();
        Optional<BenchInterface> bench = interfaces.of(facts.pack());
        try {
            boolean open = bench.isPresent() && gateways.stillOpen(facts.job().vehicleId(), facts.pack(), bench.get());
            return open
                    ? Optional.empty()
                    : Optional.of(acts.then(
                            facts.job().number(), who, "was refused by the gateway", now -> refuse(now, who)));
        } catch (LinkLostException | BenchInterface.BusyException e) {
            return Optional.of(refused(e.getMessage()));
        }
    }

    private static Acted acted(Optional<String> refusal) {
        return refusal.map(UnlockActs::refused).orElse(DONE);
    }

    private static Acted noGateway() {
        return refused("This vehicle has no secure gateway.");
    }

    private static Acted refused(String sentence) {
        return new Acted.Refused(sentence, Optional.empty());
    }
}
