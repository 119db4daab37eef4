package codrane.app.stage.unlock;

import codrane.app.access.Access;
import codrane.app.access.GatewayDesk;
import codrane.app.access.RefusedStored;
import codrane.app.interfaces.BenchInterface;
import codrane.app.interfaces.Interfaces;
import codrane.app.job.Acted;
import codrane.app.job.Acts;
import codrane.app.job.Readings;
import codrane.app.live.JobTasks.TaskFailedException;
import codrane.app.notes.Notes;
import codrane.app.records.AuditTrail;
import codrane.core.job.Job;
import codrane.core.job.JobState;
import codrane.core.job.RefusedAct;
import codrane.core.job.stage.UnlockStage;
import codrane.core.text.Words;
import codrane.core.tool.ToolLook;
import codrane.link.LinkLostException;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** What people do at a vehicle's gateway. */
@Component
public class UnlockActs {
    private final Acts acts;
    private final Readings readings;
    private final Access access;
    private final GatewayDesk gateways;
    private final Notes notes;
    private final Interfaces interfaces;
    private final AuditTrail audit;

    UnlockActs(
            Acts acts,
            Readings readings,
            Access access,
            GatewayDesk gateways,
            Notes notes,
            Interfaces interfaces,
            AuditTrail audit) {
        this.acts = acts;
        this.readings = readings;
        this.access = access;
        this.gateways = gateways;
        this.notes = notes;
        this.interfaces = interfaces;
        this.audit = audit;
    }

    private static String authority(JobState state) {
        return state.pack().gateway().orElseThrow().authority();
    }

    /** Adds the one who was refused as technician; for the lead. */
    public Acted addTechnician(long number, String technician, String who) {
        return acts.on(
                number,
                who,
                UnlockStage.ADD_TECHNICIAN,
                state -> acted(access.addTechnician(authority(state), technician, who)));
    }

    /** Registers the connected tool, by the serial number that it tells itself. */
    public Acted addTool(long number, String who) {
        return acts.on(number, who, UnlockStage.ADD_TOOL, state -> {
            Optional<BenchInterface> bench = interfaces.of(state.pack());
            Optional<ToolLook> tool = bench.flatMap(BenchInterface::tool);
            if (tool.isEmpty())
                return Acted.refused("The tool does not tell its serial number. Connect it, then try again.");
            return acted(access.addTool(
                    authority(state),
                    tool.get().name(),
                    bench.orElseThrow().serialMask(),
                    tool.get().serial(),
                    who));
        });
    }

    /** Has the gateway opened; then leads back to what was refused for want of it. */
    public Acted authorise(long number, String who) {
        return acts.begin(number, who, UnlockStage.AUTHORISE, state -> Optional.empty())
                .then(state -> authorise(state, who));
    }

    private Acted authorise(JobState state, String who) {
        Optional<BenchInterface> bench = interfaces.of(state.pack());
        if (bench.isEmpty()) return Acted.refused(BenchInterface.NONE_SPEAKS);
        Job job = state.job();
        try {
            readings.read(state, who, link -> true);
            Optional<String> refusal = gateways.open(
                    new GatewayDesk.Subject(job.vehicleId(), job.id(), job.vin(), state.pack(), who), bench.get());
            if (refusal.isPresent()) return Acted.refused(refusal.get());
        } catch (BenchInterface.BusyException | LinkLostException | TaskFailedException e) {
            return Acted.refused(Words.said(e));
        }
        return acts.then(job.number(), who, "had the gateway opened", now -> {
            audit.record(
                    who,
                    "had the gateway opened",
                    "job " + job.number(),
                    job.vin().text());
            notes.forget(job.id(), RefusedStored.KIND);
            return new Acted.Done(now.access().refused().map(RefusedAct::stage));
        });
    }

    private static Acted acted(Optional<String> refusal) {
        return refusal.map(Acted::refused).orElseGet(Acted::done);
    }
}
