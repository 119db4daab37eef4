package codrane.app.job;

import codrane.app.decide.Decided;
import codrane.core.baseline.BaselineSummary;
import codrane.core.baseline.PutBack;
import codrane.core.calibration.CalibrationCheck;
import codrane.core.calibration.Manifest;
import codrane.core.calibration.Shelved;
import codrane.core.coding.Layout;
import codrane.core.fault.Fault;
import codrane.core.gateway.OperationMatrix.Gateway;
import codrane.core.job.BenchCheck;
import codrane.core.job.BenchNotes;
import codrane.core.job.FaultNote;
import codrane.core.job.HoldNote;
import codrane.core.job.IntakeNotes;
import codrane.core.job.Job;
import codrane.core.job.JobAccess;
import codrane.core.job.JobRun;
import codrane.core.job.JudgedSheet;
import codrane.core.job.PlanVersion;
import codrane.core.job.Scan;
import codrane.core.job.Stranger;
import codrane.core.octets.Bytes;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import codrane.core.pack.PackModule.Ident;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.JobKind;
import codrane.core.plan.JobProgress;
import codrane.core.plan.JobProgress.Hold;
import codrane.core.plan.Operation;
import codrane.core.plan.Policy;
import codrane.core.plan.PowerNeed;
import codrane.core.plan.School;
import codrane.core.plan.Stage;
import codrane.core.plan.VehicleFacts;
import codrane.core.power.PowerGate;
import codrane.core.power.PowerWindow;
import codrane.core.ready.Need;
import codrane.core.ready.Readiness;
import codrane.core.scan.AgreementMatrix;
import codrane.core.scan.ModuleReading;
import codrane.core.vin.VinComparison.Verdict;
import java.time.Duration;
import java.time.ZoneId;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Everything that is known about a job now. Stages, hold points and the next act are computed from this and from nothing
 * else.
 *
 * @param first scan of the job: its faults were there before anybody did anything
 * @param before the last scan before the plan's run; what the plan rests on
 * @param latest newest scan
 * @param baselines of the job, oldest first
 * @param putBack lost settings that a person chose to put back
 * @param decided what people and the workshop said about the plan
 * @param oldCoding blocks that were read from the old module, by layout
 * @param run the one that carries the newest plan out; empty while there is none
 * @param power whether a run may start on the supply as it is now
 */
public record JobFacts(
        Job job,
        Pack pack,
        List<HoldNote> holds,
        Optional<BenchCheck> bench,
        Optional<Scan> first,
        Optional<Scan> before,
        Optional<Scan> latest,
        List<BaselineSummary> baselines,
        Optional<PlanVersion> plan,
        Optional<Shelved> calibration,
        Optional<JudgedSheet> sheet,
        Optional<JobRun> run,
        PowerGate.Verdict power,
        JobAccess access,
        List<PutBack> putBack,
        IntakeNotes intake,
        BenchNotes benchNotes,
        List<FaultNote> faultNotes,
        Decided decided,
        Map<String, Bytes> oldCoding,
        Witnessed witnessed) {
    private static final double LEAST_BENCH_VOLTS = 12.5;

    public JobFacts {
        holds = List.copyOf(holds);
        baselines = List.copyOf(baselines);
        putBack = List.copyOf(putBack);
        oldCoding = Map.copyOf(oldCoding);
    }

    /** The one from before any write: the newest, if it was read again. */
    public Optional<BaselineSummary> baseline() {
        return baselines.stream()
                .filter(b -> b.purpose() != BaselineSummary.Purpose.OLD_PART
                        && b.purpose() != BaselineSummary.Purpose.AS_LEFT)
                .reduce((first, last) -> last);
    }

    /** Whether something may have been written to the vehicle in this job, by whichever plan. */
    public boolean written() {
        return witnessed.lastRun().isPresent();
    }

    public Optional<Stranger> stranger() {
        return witnessed.stranger();
    }

    /** Variants between which the VIN does not tell. */
    public List<String> variants() {
        return pack.variantsOf(job.vin());
    }

    /** The one of how the vehicle is left; absent when nothing was written, or it was not taken yet. */
    public Optional<BaselineSummary> asLeft() {
        return baselines.stream()
                .filter(b -> b.purpose() == BaselineSummary.Purpose.AS_LEFT)
                .reduce((first, last) -> last);
    }

    /** Faults that were written down before the first run, in any scan of the job. */
    public List<Fault> faultsBefore() {
        Map<String, Fault> faults = new java.util.LinkedHashMap<>();
        first.ifPresent(scan -> scan.faults().forEach(f -> faults.put(f.module() + f.code(), f)));
        before.ifPresent(scan -> scan.faults().forEach(f -> faults.put(f.module() + f.code(), f)));
        return List.copyOf(faults.values());
    }

    /** The physical reason that somebody noted for a fault. */
    public Optional<String> faultNote(String module, String code) {
        return faultNotes.stream()
                .filter(n -> n.module().equals(module) && n.code().equals(code))
                .map(FaultNote::note)
                .findFirst();
    }

    public Gateway gateway() {
        return access.gateway();
    }

    /** Whether the vehicle was read again, before any run, since the plan was made: what was agreed to rests on something else. */
    public boolean planIsOld() {
        if (run.isPresent() || plan.isEmpty() || before.isEmpty()) return false;
        boolean reopened =
                job.reopenedAt().map(at -> plan.get().madeAt().isBefore(at)).orElse(false);
        return reopened || plan.get().scanId() != before.get().id();
    }

    /** Seconds that the plan's writes take, by the pack; 0 without a plan. */
    public int writingSeconds() {
        return plan.map(p -> p.plan().writes().mapToInt(Operation::seconds).sum())
                .orElse(0);
    }

    public Optional<PackModule> replaced() {
        return job.replacedModule().map(pack::module);
    }

    public AgreementMatrix matrix(Scan scan) {
        return AgreementMatrix.of(pack, job.vin(), scan.readings());
    }

    /** What the planner gets to know; whether software is the maker's is added by who asks the maker. */
    public VehicleFacts vehicleFacts(Scan scan) {
        return PlanFacts.of(this, scan);
    }

    /** What the plan needs, and so the earliest start; empty without a plan. */
    public Optional<Readiness> readiness() {
        if (plan.isEmpty() || before.isEmpty()) return Optional.empty();
        return Optional.of(Readiness.of(
                plan.get().plan(),
                vehicleFacts(before.get()),
                PlanFacts.atHand(this),
                access.now(),
                ZoneId.systemDefault()));
    }

    /** Whether what is written must go by cable: a module insists, or the workshop does. */
    public boolean needsCable() {
        boolean insists = replaced().map(m -> m.traits().wiredOnly()).orElse(false);
        if (plan.isEmpty()) return insists;
        List<Operation> writes = plan.get().plan().writes().toList();
        if (writes.isEmpty()) return false;
        School school = planHas(Operation.Kind.PROGRAM) ? School.PROGRAMMING_LINK : School.CODING_LINK;
        return decided.policy().is(school, "wired")
                || writes.stream()
                        .filter(o -> !o.module().isEmpty())
                        .anyMatch(o -> pack.module(o.module()).traits().wiredOnly());
    }

    /** Whether an operation of the plan names the hold point. */
    public boolean planHolds(HoldPoint point) {
        return plan.map(p ->
                        p.plan().operations().stream().anyMatch(o -> o.holds().contains(point)))
                .orElse(false);
    }

    /** The newest scan if it is from after the run. */
    public Optional<Scan> after() {
        return run.flatMap(JobRun::endedAt)
                .flatMap(ended -> latest.filter(scan -> scan.takenAt().isAfter(ended)));
    }

    /** What the plan wants a person to do until the vehicle is at rest. */
    public List<Operation> settling() {
        return plan.stream()
                .flatMap(p -> p.plan().operations().stream())
                .filter(o -> o.kind() == Operation.Kind.SLEEP || o.kind() == Operation.Kind.BATTERY_OFF)
                .toList();
    }

    public boolean planHas(Operation.Kind kind) {
        return plan.map(p -> p.plan().has(kind)).orElse(false);
    }

    /** Whether a run holds the vehicle: then plan, file and sheet stay as they are. */
    public boolean runHolds() {
        return run.map(r -> r.running() || r.interrupted()).orElse(false);
    }

    /** The calibration at hand against the replaced module as it was read before. */
    public Optional<CalibrationCheck> calibrationCheck(byte[] content) {
        return calibration.flatMap(c -> target().map(target -> CalibrationCheck.of(content, c.manifest(), target)));
    }

    /** Whether a manifest fits the replaced module, without the file. */
    public CalibrationCheck fit(Manifest manifest) {
        return target().map(target -> CalibrationCheck.fit(manifest, target))
                .orElse(new CalibrationCheck(
                        CalibrationCheck.Verdict.NOT_FOR_THIS_MODULE,
                        List.of("The module's hardware number was not read.")));
    }

    public Optional<CalibrationCheck.Target> target() {
        Optional<ModuleReading> reading = before.flatMap(
                scan -> job.replacedModule().map(id -> scan.readings().get(id)));
        return reading.flatMap(r -> r.text(Ident.HARDWARE)
                .map(hardware -> new CalibrationCheck.Target(pack.id(), r.module(), hardware, r.text(Ident.SOFTWARE))));
    }

    public PowerWindow window() {
        return window(pack, decided.policy(), plan);
    }

    /** What the run needs of the supply: programming more than coding, a demanding module more still. */
    static PowerWindow window(Pack pack, Policy policy, Optional<PlanVersion> plan) {
        return PowerNeed.of(pack, policy, plan.map(p -> p.plan().operations()).orElse(List.of()));
    }

    public Optional<HoldNote> personHold(HoldPoint point) {
        return holds.stream().filter(h -> h.point() == point).findFirst();
    }

    public JobProgress progress() {
        Map<HoldPoint, Hold> all = new EnumMap<>(HoldPoint.class);
        for (HoldPoint point : HoldPoint.values()) all.put(point, state(point));
        return new JobProgress(all);
    }

    private Hold state(HoldPoint point) {
        if (!needed(point)) return Hold.NOT_NEEDED;
        if (point == HoldPoint.PLAN_AGREED && planIsOld()) return Hold.OPEN;
        Optional<HoldNote> person = personHold(point).filter(this::stillAbout);
        if (person.isPresent()) return person.get().waived() ? Hold.WAIVED : Hold.KEPT;
        return keptByFact(point) ? Hold.KEPT : Hold.OPEN;
    }

    /** What was accepted about identity holds for just that: the same modules with the same VINs. */
    private boolean stillAbout(HoldNote hold) {
        if (hold.point() != HoldPoint.IDENTITY_SETTLED || before.isEmpty()) return true;
        IdentityFinding finding = IdentityFinding.of(this, before.get());
        if (!finding.acceptable()) return false;
        return hold.about().map(about -> about.equals(finding.about())).orElse(true);
    }

    private boolean needed(HoldPoint point) {
        if (point == HoldPoint.AUTHORISED && (!access.there() || job.kind() == JobKind.BASELINE_ONLY)) return false;
        switch (point) {
            case OLD_MODULE_ASKED -> {
                return job.kind().replaces();
            }
            case OLD_MODULE_READ -> {
                return job.kind().replaces() && intake.stillIn();
            }
            case OWNERSHIP_PROVED -> {
                return PlanFacts.touchesImmobiliser(this);
            }
            case LEAD_APPROVED, GAPS_CONFIRMED, KEYS_COUNTED, NO_WAY_BACK -> {
                return planHolds(point);
            }
            case SETTLED -> {
                return !settling().isEmpty();
            }
            case EVERYTHING_HERE -> {
                return readiness().map(r -> !r.prepared().isEmpty()).orElse(false);
            }
            case PAPERS_AGREE -> {
                return !intake.details().papersVin().isEmpty();
            }
            case VARIANT_NAMED -> {
                return !variants().isEmpty();
            }
            default -> {}
        }
        if (job.kind() == JobKind.BASELINE_ONLY) return point.stage().compareTo(Stage.BASELINE) <= 0;
        if (plan.isEmpty()) return true;
        boolean writes = plan.get().plan().writes().findAny().isPresent();
        if (!writes && !plan.get().plan().blocked() && point.stage().compareTo(Stage.DECIDE) > 0) return false;
        return switch (point) {
            case AUTHORISED -> writes;
            case FILE_CHECKED -> planHas(Operation.Kind.PROGRAM);
            case SHEET_CHECKED -> planHolds(HoldPoint.SHEET_CHECKED);
            default -> true;
        };
    }

    private boolean keptByFact(HoldPoint point) {
        boolean finished = run.map(JobRun::finished).orElse(false);
        return switch (point) {
            case OLD_MODULE_ASKED -> intake.oldModule().isPresent();
            case OLD_MODULE_READ -> intake.oldReading().isPresent();
            case PAPERS_AGREE -> intake.details().papersVin().equals(job.vin().text());
            case VARIANT_NAMED -> variants().contains(intake.variant());
            case LINK_PROVEN -> bench.isPresent() && stranger().isEmpty();
            case SUPPLY_HELD ->
                bench.flatMap(BenchCheck::volts)
                        .map(v -> v >= LEAST_BENCH_VOLTS)
                        .orElse(false);
            case FAULTS_RECORDED -> before.map(JobFacts::faultsRecorded).orElse(false);
            case IDENTITY_SETTLED ->
                before.map(scan -> matrix(scan).vins().verdict() == Verdict.ALL_AGREE)
                        .orElse(false);
            case AUTHORISED ->
                finished || runHolds() || access.left().compareTo(Duration.ofSeconds(writingSeconds())) > 0;
            case BASELINE_STORED -> baseline().isPresent() && witnessed.baselineFits();
            case FILE_CHECKED ->
                calibration.map(c -> fit(c.manifest()).usable()).orElse(false);
            case SHEET_CHECKED -> sheet.map(JudgedSheet::good).orElse(false);
            case POWER_READY -> finished || runHolds() || power.passes();
            case RUN_FINISHED -> finished;
            case READ_BACK_AGREES ->
                finished && readBackTroubles().map(List::isEmpty).orElse(false);
            case OWNERSHIP_PROVED -> !intake.details().ownership().isBlank();
            case EVERYTHING_HERE ->
                finished
                        || runHolds()
                        || readiness().map(Readiness::everythingHere).orElse(false);
            case KEYS_COUNTED ->
                readiness().stream()
                        .flatMap(r -> r.needs().stream())
                        .filter(n -> n.kind() == Need.Kind.KEYS)
                        .allMatch(Need::here);
            case CONSENT,
                    PLAN_AGREED,
                    LEAD_APPROVED,
                    GAPS_CONFIRMED,
                    NO_WAY_BACK,
                    WRITES_RELEASED,
                    SETTLED,
                    FUNCTION_TESTED -> false;
        };
    }

    private static boolean faultsRecorded(Scan scan) {
        return scan.readings().values().stream().filter(ModuleReading::answers).anyMatch(ModuleReading::faultsRead);
    }

    /** What a fresh scan says against the plan; empty when there is no scan from after the run. */
    public Optional<List<String>> readBackTroubles() {
        return after().map(scan -> new ReadBack(this, scan).troubles());
    }

    /** Blocks with the chosen settings put into what the modules held, by layout. */
    Map<String, Bytes> putBackBlocks(Map<String, ModuleReading> readings) {
        Map<String, Bytes> blocks = new java.util.LinkedHashMap<>();
        for (PutBack setting : putBack) {
            Layout layout = pack.layouts().get(setting.layout());
            Bytes held = blocks.getOrDefault(
                    layout.id(), readings.get(setting.module()).coding().get(layout.id()));
            if (setting.whole()) blocks.put(layout.id(), Bytes.parse(setting.value()));
            else if (layout.encode(Map.of(setting.field(), setting.value()), held)
                    instanceof Layout.Encoded.Block(Bytes block)) blocks.put(layout.id(), block);
        }
        return blocks;
    }

    /** What was read before an erase goes back: the plan has no better source. */
    boolean writesBack(Operation operation) {
        JobKind.About about = job.kind().about();
        return (about == JobKind.About.MODULE || about == JobKind.About.PART)
                && operation.holds().contains(HoldPoint.BASELINE_STORED);
    }

    /** Where the blocks come from that an operation writes; empty when Codrane can't tell yet. */
    Optional<Map<String, Bytes>> codingOf(Operation operation) {
        if (operation.kind() != Operation.Kind.WRITE_CODING) return Optional.empty();
        if (job.kind().about() == JobKind.About.SETTINGS) return before.map(scan -> putBackBlocks(scan.readings()));
        if (operation.holds().contains(HoldPoint.SHEET_CHECKED)) return sheet.map(JudgedSheet::blocks);
        if (operation.holds().contains(HoldPoint.OLD_MODULE_READ))
            return oldCoding.isEmpty() ? Optional.empty() : Optional.of(oldCoding);
        if (writesBack(operation))
            return before.map(scan -> scan.readings().get(operation.module())).map(ModuleReading::coding);
        return Optional.empty();
    }
}
