package codrane.app.job;

import codrane.app.access.Access;
import codrane.app.access.Authorisation;
import codrane.app.access.GatewayDesk;
import codrane.app.baseline.Baselines;
import codrane.app.intake.IntakeStore;
import codrane.app.job.jpa.JobStore;
import codrane.app.live.RunStore;
import codrane.app.shelf.Shelf;
import codrane.app.vehicle.BenchInterface;
import codrane.app.vehicle.Interfaces;
import codrane.app.vehicle.PackShelf;
import codrane.core.gateway.OperationMatrix.Gateway;
import codrane.core.pack.Pack;
import codrane.core.power.PowerGate;
import codrane.core.power.SupplyReading;
import java.time.InstantSource;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Gathers the facts of a job. */
@Component
public class JobDesk {
    private final JobStore jobs;
    private final BenchCheckStore benchChecks;
    private final RunStore runs;
    private final Shelf shelf;
    private final PackShelf packs;
    private final Interfaces interfaces;
    private final Access access;
    private final GatewayDesk gateways;
    private final RefusedActStore refusedActs;
    private final Baselines baselines;
    private final PutBackStore putBacks;
    private final IntakeStore intakes;
    private final BenchNotesStore benchNotes;
    private final FaultNoteStore faultNotes;
    private final InstantSource time;

    JobDesk(
            JobStore jobs,
            BenchCheckStore benchChecks,
            RunStore runs,
            Shelf shelf,
            PackShelf packs,
            Interfaces interfaces,
            Access access,
            GatewayDesk gateways,
            RefusedActStore refusedActs,
            Baselines baselines,
            PutBackStore putBacks,
            IntakeStore intakes,
            BenchNotesStore benchNotes,
            FaultNoteStore faultNotes,
            InstantSource time) {
        this.jobs = jobs;
        this.benchChecks = benchChecks;
        this.runs = runs;
        this.shelf = shelf;
        this.packs = packs;
        this.interfaces = interfaces;
        this.access = access;
        this.gateways = gateways;
        this.refusedActs = refusedActs;
        this.baselines = baselines;
        this.putBacks = putBacks;
        this.intakes = intakes;
        this.benchNotes = benchNotes;
        this.faultNotes = faultNotes;
        this.time = time;
    }

    /** There is no job of this number. */
    public static final class UnknownJobException extends RuntimeException {
        UnknownJobException(long number) {
            super("There is no job " + number + ".");
        }
    }

    /** @throws UnknownJobException when there is no such job */
    @Transactional(readOnly = true)
    public JobFacts facts(long number) {
        return facts(jobs.find(number).orElseThrow(() -> new UnknownJobException(number)));
    }

    @Transactional(readOnly = true)
    public JobFacts facts(JobRecord job) {
        Pack pack = packs.get(job.packId());
        Optional<PlanRecord> plan = jobs.plan(job.id());
        JobStore.Scans scans = jobs.scans(job.id(), runs.firstStart(job.id()));
        return new JobFacts(
                job,
                pack,
                jobs.holds(job.id()),
                benchChecks.get(job.id()),
                scans.first(),
                scans.before(),
                scans.latest(),
                baselines.ofJob(job.id()),
                plan,
                shelf.prepared(job.id()),
                sheet(job, pack),
                runs.latest(job.id()),
                power(pack, job, plan),
                access(pack, job),
                putBacks.of(job.id()),
                intakes.get(job.id()),
                benchNotes.get(job.id()),
                faultNotes.of(job.id()));
    }

    private Optional<LineSheetFacts> sheet(JobRecord job, Pack pack) {
        return job.replacedModule()
                .flatMap(id -> jobs.sheets(job.id()).stream()
                        .filter(s -> s.module().equals(id))
                        .findFirst()
                        .map(s -> LineSheetFacts.of(pack, pack.module(id), job.vin(), s)));
    }

    private PowerGate.Verdict power(Pack pack, JobRecord job, Optional<PlanRecord> plan) {
        List<SupplyReading> samples =
                interfaces.of(pack).map(BenchInterface::samples).orElse(List.of());
        return PowerGate.start(samples, JobFacts.window(pack, job, plan), time.instant());
    }

    private JobAccess access(Pack pack, JobRecord job) {
        if (!pack.hasGateway(job.vin())) return JobAccess.none(time.instant());
        Optional<Authorisation> believed = gateways.believed(job.vehicleId());
        Gateway gateway =
                believed.<Gateway>map(a -> new Gateway.Authorised(a.until())).orElseGet(Gateway.Locked::new);
        return new JobAccess(
                gateway,
                believed,
                access.known(pack.gateway().orElseThrow().authority()),
                interfaces.of(pack).flatMap(BenchInterface::tool),
                refusedActs.get(job.id()),
                time.instant());
    }
}
