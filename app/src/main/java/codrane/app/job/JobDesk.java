package codrane.app.job;

import codrane.app.access.Access;
import codrane.app.access.GatewayDesk;
import codrane.app.baseline.Baselines;
import codrane.app.decide.DecideStore;
import codrane.app.decide.Decided;
import codrane.app.decide.NeedStore;
import codrane.app.intake.IntakeStore;
import codrane.app.job.jpa.JobStore;
import codrane.app.live.RunStore;
import codrane.app.shelf.Shelf;
import codrane.app.vehicle.BenchInterface;
import codrane.app.vehicle.Interfaces;
import codrane.app.vehicle.MarketShelf;
import codrane.app.vehicle.PackShelf;
import codrane.core.access.Authorisation;
import codrane.core.baseline.BaselineFile;
import codrane.core.baseline.BaselineSummary;
import codrane.core.gateway.OperationMatrix.Gateway;
import codrane.core.job.Job;
import codrane.core.job.JobAccess;
import codrane.core.job.JobRun;
import codrane.core.job.JudgedSheet;
import codrane.core.job.PlanVersion;
import codrane.core.job.Scan;
import codrane.core.octets.Bytes;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule.Ident;
import codrane.core.plan.JobKind;
import codrane.core.plan.Policy;
import codrane.core.power.PowerGate;
import codrane.core.power.SupplyReading;
import codrane.core.scan.CodingState;
import codrane.core.scan.WhoAnswers;
import java.time.InstantSource;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
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
    private final DecideStore decides;
    private final NeedStore needs;
    private final MarketShelf markets;
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
            DecideStore decides,
            NeedStore needs,
            MarketShelf markets,
            InstantSource time) {
        this.decides = decides;
        this.needs = needs;
        this.markets = markets;
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
    public JobFacts facts(Job job) {
        Pack pack = packs.get(job.packId());
        Optional<PlanVersion> plan = jobs.plan(job.id());
        List<BaselineSummary> kept = baselines.ofJob(job.id());
        Decided decided = decided(job, pack, kept);
        Optional<JobRun> last = runs.latest(job.id());
        Optional<JobRun> run = plan.flatMap(p -> last.filter(r -> r.planId() == p.id()));
        String replaced = job.replacedModule().orElse("");
        JobStore.Scans scans = jobs.scans(
                job.id(),
                run.map(JobRun::startedAt),
                scan -> !(WhoAnswers.judge(pack, job.vin(), scan.readings(), replaced) instanceof WhoAnswers.Another));
        return new JobFacts(
                job,
                pack,
                jobs.holds(job.id()),
                benchChecks.get(job.id()),
                scans.first(),
                scans.before(),
                scans.latest(),
                kept,
                plan,
                shelf.prepared(job.id()),
                sheet(job, pack),
                run,
                power(pack, decided.policy(), plan),
                access(pack, job),
                putBacks.of(job.id()),
                intakes.get(job.id()),
                benchNotes.get(job.id()),
                faultNotes.of(job.id()),
                decided,
                oldCoding(job, pack, kept),
                new Witnessed(jobs.stranger(job.id()), scans.foreign(), baselineFits(kept, scans.before()), last));
    }

    /** Whether the newest baseline from before the work shows the parts of a later scan: by their serial numbers. */
    private boolean baselineFits(List<BaselineSummary> kept, Optional<Scan> scan) {
        Optional<BaselineFile> baseline = kept.stream()
                .filter(b -> b.purpose() == BaselineSummary.Purpose.BEFORE)
                .reduce((first, last) -> last)
                .filter(b -> scan.map(s -> s.takenAt().isAfter(b.takenAt())).orElse(false))
                .map(b -> baselines.file(b.id()));
        if (baseline.isEmpty() || scan.isEmpty()) return true;
        return baseline.get().modules().stream().allMatch(module -> {
            String then = module.identification().getOrDefault("serial", "");
            String now = Optional.ofNullable(scan.get().readings().get(module.id()))
                    .flatMap(r -> r.text(Ident.SERIAL))
                    .orElse("");
            return then.isEmpty() || now.isEmpty() || then.strip().equals(now);
        });
    }

    private Decided decided(Job job, Pack pack, List<BaselineSummary> kept) {
        return new Decided(
                decides.notes(job.id()),
                decides.policy(job.id()),
                markets.rules().on(LocalDate.ofInstant(time.instant(), ZoneId.systemDefault())),
                needs.noted(job.id()),
                Optional.ofNullable(needs.passes().get(pack.service())),
                needs.letters(job.id()),
                job.kind().about() == JobKind.About.ORDER ? orderNow(kept) : List.of());
    }

    private List<String> orderNow(List<BaselineSummary> kept) {
        return kept.stream()
                .filter(BaselineSummary::whole)
                .findFirst()
                .flatMap(b -> baselines.file(b.id()).order())
                .map(codes -> List.of(codes.strip().split("\\s+")))
                .orElse(List.of());
    }

    /** What was read from the old module last: only when every block of it was made for this vehicle. */
    private Map<String, Bytes> oldCoding(Job job, Pack pack, List<BaselineSummary> kept) {
        Map<String, Bytes> blocks = new LinkedHashMap<>();
        Optional<BaselineSummary> old = kept.stream()
                .filter(b -> b.purpose() == BaselineSummary.Purpose.OLD_PART)
                .reduce((first, last) -> last);
        if (old.isEmpty() || job.replacedModule().isEmpty()) return blocks;
        baselines
                .file(old.get().id())
                .module(job.replacedModule().get())
                .ifPresent(module -> module.coding().forEach(block -> blocks.put(block.id(), block.raw())));
        boolean own = pack.blocksOf(pack.module(job.replacedModule().get())).stream()
                .allMatch(layout -> blocks.containsKey(layout.id())
                        && CodingState.ofBlock(pack, layout, blocks.get(layout.id()), job.vin()) == CodingState.AGREES);
        return own ? blocks : Map.of();
    }

    private Optional<JudgedSheet> sheet(Job job, Pack pack) {
        return job.replacedModule()
                .flatMap(id -> jobs.sheets(job.id()).stream()
                        .filter(s -> s.module().equals(id))
                        .findFirst()
                        .map(s -> JudgedSheet.of(pack, pack.module(id), job.vin(), s)));
    }

    private PowerGate.Verdict power(Pack pack, Policy policy, Optional<PlanVersion> plan) {
        List<SupplyReading> samples =
                interfaces.of(pack).map(BenchInterface::samples).orElse(List.of());
        return PowerGate.start(samples, JobFacts.window(pack, policy, plan), time.instant());
    }

    private JobAccess access(Pack pack, Job job) {
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
