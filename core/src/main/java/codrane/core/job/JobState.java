package codrane.core.job;

import codrane.core.baseline.BaselineSummary;
import codrane.core.baseline.BaselineSummary.Purpose;
import codrane.core.baseline.PutBack;
import codrane.core.calibration.Shelved;
import codrane.core.fault.Fault;
import codrane.core.gateway.OperationMatrix.Gateway;
import codrane.core.octets.Bytes;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.JobKind;
import codrane.core.plan.Operation;
import codrane.core.plan.Plan;
import codrane.core.plan.PowerNeed;
import codrane.core.plan.Stage;
import codrane.core.plan.VehicleFacts;
import codrane.core.power.PowerGate;
import codrane.core.power.PowerWindow;
import codrane.core.ready.Readiness;
import codrane.core.scan.AgreementMatrix;
import codrane.core.scan.ModuleReading;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;

/**
 * Everything that is known of a job now, gathered once: the job itself, and what each stage knows. Hold points, stages and
 * the next act are computed from this and from nothing else.
 */
public final class JobState {
    private final Job job;
    private final Pack pack;
    private final Now now;
    private final List<HoldNote> holds;
    private final Map<Class<? extends Part>, Part> parts = new HashMap<>();
    private final Optional<JobRun> run;
    private final Scans scans;
    private final Map<String, Object> known = new HashMap<>();

    /** @param parts one of each kind at most; what is not there is empty */
    public JobState(Job job, Pack pack, Now now, List<HoldNote> holds, Collection<? extends Part> parts) {
        this.job = job;
        this.pack = pack;
        this.now = now;
        this.holds = List.copyOf(holds);
        for (Part part : parts) this.parts.put(part.getClass(), part);
        run = plan().flatMap(p -> ran().last().filter(r -> r.planId() == p.id()));
        scans = Scans.of(job, pack, part(Identified.class, Identified.NONE).scans(), run.map(JobRun::startedAt));
    }

    /** What a stage knows. */
    public <P extends Part> P part(Class<P> kind, P otherwise) {
        return Optional.ofNullable(kind.cast(parts.get(kind))).orElse(otherwise);
    }

    /**
     * Computes something from this once.
     *
     * @param what a name for it that nothing else has
     */
    @SuppressWarnings("unchecked")
    public <T> T once(String what, Function<JobState, T> how) {
        if (!known.containsKey(what)) known.put(what, how.apply(this)); // may ask for something else meanwhile
        return (T) known.get(what);
    }

    public Job job() {
        return job;
    }

    public Pack pack() {
        return pack;
    }

    /** The pack as the software that a scan found keeps coding. */
    public Pack pack(Scan scan) {
        return pack.as(ModuleReading.software(scan.readings()));
    }

    /** The pack as the software keeps coding when the plan writes it: of the job's module, after its programming. */
    public Pack packWritten() {
        return once("pack as it is written", s -> {
            Map<String, String> software = new HashMap<>(
                    before().map(Scan::readings).map(ModuleReading::software).orElse(Map.of()));
            replaced()
                    .filter(module -> isProgrammed(module, software.getOrDefault(module.id(), "")))
                    .ifPresent(module -> software.put(
                            module.id(),
                            calibration()
                                    .map(c -> c.manifest().softwareAfter())
                                    .orElse(module.software().current())));
            return pack.as(software);
        });
    }

    /** As the plan says; while there is none that writes, as it will most likely. */
    private boolean isProgrammed(PackModule module, String has) {
        if (!writes().isEmpty()) return planHas(Operation.Kind.PROGRAM);
        return job.kind() == JobKind.RESTORE_SOFTWARE
                || job.kind() == JobKind.UPDATE_SOFTWARE
                || job.kind().replaces() && (has.isEmpty() || AgreementMatrix.tooOld(module, has));
    }

    public Now now() {
        return now;
    }

    /** What people kept or waived. */
    public List<HoldNote> holds() {
        return holds;
    }

    public Optional<HoldNote> personHold(HoldPoint point) {
        return holds.stream().filter(h -> h.point() == point).findFirst();
    }

    public IntakeNotes intake() {
        return part(IntakeNotes.class, IntakeNotes.NONE);
    }

    public Benched benched() {
        return part(Benched.class, Benched.NONE);
    }

    /** The newest answered request; one from before the job was reopened proves nothing about what is on the cable now. */
    public Optional<BenchCheck> linkCheck() {
        return benched()
                .check()
                .filter(check ->
                        job.reopenedAt().map(at -> check.at().isAfter(at)).orElse(true));
    }

    public JobAccess access() {
        return part(JobAccess.class, JobAccess.none(now.at()));
    }

    public Baselined baselined() {
        return part(Baselined.class, Baselined.NONE);
    }

    public Decided decided() {
        return part(Decided.class, Decided.NOTHING);
    }

    public Prepared prepared() {
        return part(Prepared.class, Prepared.NOTHING);
    }

    public Ran ran() {
        return part(Ran.class, Ran.NEVER);
    }

    public Scans scans() {
        return scans;
    }

    /** The run that carries the newest plan out; empty while there is none. */
    public Optional<JobRun> run() {
        return run;
    }

    /** Whether a run holds the vehicle: then plan, file and sheet stay as they are. */
    public boolean runHolds() {
        return run.map(r -> r.running() || r.interrupted()).orElse(false);
    }

    public boolean runFinished() {
        return run.map(JobRun::finished).orElse(false);
    }

    /** Whether something may have been written to the vehicle in this job, by whichever plan. */
    public boolean written() {
        return ran().last().isPresent();
    }

    public Optional<Scan> before() {
        return scans.before();
    }

    /** The newest scan if it is from after the run. */
    public Optional<Scan> after() {
        return run.flatMap(JobRun::endedAt)
                .flatMap(ended -> scans.latest().filter(scan -> scan.takenAt().isAfter(ended)));
    }

    public AgreementMatrix matrix(Scan scan) {
        return AgreementMatrix.of(pack, job.vin(), scan.readings());
    }

    /** Variants between which the VIN does not tell. */
    public List<String> variants() {
        return pack.variantsOf(job.vin());
    }

    public Optional<PackModule> replaced() {
        return job.replacedModule().map(pack::module);
    }

    /** Whether the new part was put in since that scan, so that it says nothing of it. */
    public boolean swappedSince(Scan scan) {
        return decided()
                .notes()
                .since()
                .swappedAt()
                .map(at -> !scan.takenAt().isAfter(at))
                .orElse(false);
    }

    public Gateway gateway() {
        return access().gateway();
    }

    public Optional<BaselineSummary> baseline() {
        return baselined().before();
    }

    /** The one of how the vehicle is left; absent when nothing was written, or it was not taken yet. */
    public Optional<BaselineSummary> asLeft() {
        return baselined().last(Purpose.AS_LEFT);
    }

    /** Blocks that were read from the old module, by layout; none unless they were made for this vehicle. */
    public Map<String, Bytes> oldCoding() {
        return once("coding of the old module", CodingAtHand::old);
    }

    /** Faults that were written down before the first run, in any scan of the job. */
    public List<Fault> faultsBefore() {
        Map<String, Fault> faults = new LinkedHashMap<>();
        scans.first().ifPresent(scan -> scan.faults().forEach(f -> faults.put(f.module() + f.code(), f)));
        scans.before().ifPresent(scan -> scan.faults().forEach(f -> faults.put(f.module() + f.code(), f)));
        return List.copyOf(faults.values());
    }

    /** The physical reason that somebody noted for a fault. */
    public Optional<String> faultNote(String module, String code) {
        return part(Identified.class, Identified.NONE).faultNotes().stream()
                .filter(n -> n.module().equals(module) && n.code().equals(code))
                .map(FaultNote::note)
                .findFirst();
    }

    public Optional<PlanVersion> plan() {
        return decided().plan();
    }

    public List<PutBack> putBack() {
        return decided().putBack();
    }

    /** Whether the vehicle was read again, before any run, since the plan was made: what was agreed to rests on something else. */
    public boolean planIsOld() {
        if (run.isPresent() || plan().isEmpty() || before().isEmpty()) return false;
        if (swappedSince(before().get())) return true;
        boolean reopened =
                job.reopenedAt().map(at -> plan().get().madeAt().isBefore(at)).orElse(false);
        return reopened || plan().get().scanId() != before().get().id();
    }

    public boolean planHas(Operation.Kind kind) {
        return plan().map(p -> p.plan().has(kind)).orElse(false);
    }

    /** Whether an operation of the plan names the hold point. */
    public boolean planHolds(HoldPoint point) {
        return operations().stream().anyMatch(o -> o.holds().contains(point));
    }

    /** Of the plan; none without one. */
    public List<Operation> operations() {
        return plan().map(p -> p.plan().operations()).orElse(List.of());
    }

    /** Operations of the plan that write, in its order. */
    public List<Operation> writes() {
        return plan().map(p -> p.plan().writes().toList()).orElse(List.of());
    }

    /** Seconds that the plan's writes take, by the pack; 0 without a plan. */
    public int writingSeconds() {
        return writes().stream().mapToInt(Operation::seconds).sum();
    }

    /** What the plan wants a person to do until the vehicle is at rest. */
    public List<Operation> settling() {
        return operations().stream()
                .filter(o -> !o.conditional())
                .filter(o -> o.kind() == Operation.Kind.SLEEP || o.kind() == Operation.Kind.BATTERY_OFF)
                .toList();
    }

    /** Those of {@link #settling} that no routine of the run came after: before one they were asked for already. */
    public List<Operation> leftToSettle() {
        List<Operation> all = operations();
        int routine = -1;
        for (int i = 0; i < all.size(); i++)
            if (RunTasks.startedByHand(all.get(i)) && !all.get(i).conditional()) routine = i;
        List<Operation> after = all.subList(routine + 1, all.size());
        return settling().stream().filter(after::contains).toList();
    }

    /** How the vehicle was when it was watched after the run; empty when it was not. */
    public Optional<Rested.Look> sleepSeen() {
        return run.flatMap(r -> part(Rested.class, Rested.NONE).after(r));
    }

    /** Whether the job comes to the stage at all, as far as is known. */
    public boolean comesTo(Stage stage) {
        if (job.kind() == JobKind.BASELINE_ONLY) return stage.compareTo(Stage.BASELINE) <= 0;
        Optional<Plan> plan = plan().map(PlanVersion::plan);
        boolean nothingToWrite =
                plan.isPresent() && writes().isEmpty() && !plan.get().blocked();
        return !nothingToWrite || stage.compareTo(Stage.DECIDE) <= 0;
    }

    /** What the planner gets to know; whether software is the maker's is added by who asks the maker. */
    public VehicleFacts vehicleFacts(Scan scan) {
        return PlanFacts.of(this, scan);
    }

    /** What the plan needs, and so the earliest start; empty without a plan. */
    public Optional<Readiness> readiness() {
        return once("readiness", PlanFacts::readiness);
    }

    public Optional<Shelved> calibration() {
        return prepared().calibration();
    }

    /** The line sheet of the job's module as judged; empty when there is none. */
    public Optional<JudgedSheet> sheet() {
        return replaced()
                .flatMap(module -> prepared().sheets().stream()
                        .filter(s -> s.module().equals(module.id()))
                        .findFirst()
                        .map(s -> JudgedSheet.of(packWritten(), module, job.vin(), s)));
    }

    /** What the run needs of the supply: programming more than coding, a demanding module more still. */
    public PowerWindow window() {
        return PowerNeed.of(pack, decided().policy(), operations());
    }

    /** Whether a run may start on the supply as it is now. */
    public PowerGate.Verdict power() {
        return PowerGate.start(prepared().supply(), window(), now.at());
    }

    /** What a fresh scan says against the plan; empty when there is no scan from after the run. */
    public Optional<List<String>> readBackTroubles() {
        return after().map(scan -> new ReadBack(this, scan).troubles());
    }
}
