package codrane.app.job.jpa;

import codrane.core.job.HoldNote;
import codrane.core.job.Job;
import codrane.core.job.PlanVersion;
import codrane.core.job.Scan;
import codrane.core.job.SheetText;
import codrane.core.job.Stranger;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.JobKind;
import codrane.core.plan.PartOrigin;
import codrane.core.plan.Plan;
import codrane.core.scan.ModuleReading;
import codrane.core.vin.Vin;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Predicate;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Keeps jobs and what was found, decided and prepared for them. */
@Component
@Transactional
public class JobStore {
    private static final int MOST_OPEN = 500;
    private static final int MOST_PARSED = 600;

    private final Repositories.Vehicles vehicles;
    private final Repositories.Jobs jobs;
    private final Repositories.HoldPoints holdPoints;
    private final Repositories.Scans scans;
    private final Repositories.Plans plans;
    private final Repositories.LineSheets sheets;
    private final Repositories.Presses presses;
    private final Repositories.Strangers strangers;
    private final Map<Long, Map<String, ModuleReading>> parsed = new ConcurrentHashMap<>();

    JobStore(
            Repositories.Vehicles vehicles,
            Repositories.Jobs jobs,
            Repositories.HoldPoints holdPoints,
            Repositories.Scans scans,
            Repositories.Plans plans,
            Repositories.LineSheets sheets,
            Repositories.Presses presses,
            Repositories.Strangers strangers) {
        this.presses = presses;
        this.strangers = strangers;
        this.vehicles = vehicles;
        this.jobs = jobs;
        this.holdPoints = holdPoints;
        this.scans = scans;
        this.plans = plans;
        this.sheets = sheets;
    }

    /** What a new job begins with. */
    public record NewJob(
            Vin vin,
            String packId,
            String model,
            JobKind kind,
            String complaint,
            Optional<String> replaced,
            Optional<PartOrigin> origin) {}

    /** A vehicle with what there is of it. */
    public record VehicleLine(Vin vin, String model, long jobs, long open, long baselines, Instant lastSeen) {
        VehicleLine(String vin, String model, long jobs, long open, long baselines, Instant lastSeen) {
            this(new Vin(vin), model, jobs, open, baselines, lastSeen);
        }
    }

    /** A vehicle in lists. */
    public record VehicleRecord(long id, Vin vin, String packId, String model) {}

    /** @return the job's number */
    public long add(NewJob newJob, String who, Instant now) {
        VehicleEntity vehicle = vehicles.findByVin(newJob.vin().text())
                .orElseGet(() -> addVehicle(newJob.vin(), newJob.packId(), newJob.model(), now));
        JobEntity job = new JobEntity();
        job.number = jobs.nextNumber();
        job.vehicle = vehicle;
        job.kind = newJob.kind();
        job.complaint = newJob.complaint();
        job.replacedModule = newJob.replaced().orElse(null);
        job.partOrigin = newJob.origin().orElse(null);
        job.createdAt = now;
        job.createdBy = who;
        return jobs.save(job).number;
    }

    private VehicleEntity addVehicle(Vin vin, String packId, String model, Instant now) {
        VehicleEntity vehicle = new VehicleEntity();
        vehicle.vin = vin.text();
        vehicle.pack = packId;
        vehicle.model = model;
        vehicle.createdAt = now;
        return vehicles.save(vehicle);
    }

    @Transactional(readOnly = true)
    public Optional<Job> find(long number) {
        return jobs.findByNumber(number).map(JobStore::record);
    }

    @Transactional(readOnly = true)
    public List<Job> open() {
        return jobs.findByClosedAtIsNullOrderByCreatedAtDesc(Limit.of(MOST_OPEN)).stream()
                .map(JobStore::record)
                .toList();
    }

    @Transactional(readOnly = true)
    public List<Job> ofVehicle(long vehicleId) {
        return jobs.findByVehicleIdOrderByCreatedAtDesc(vehicleId, Limit.of(50)).stream()
                .map(JobStore::record)
                .toList();
    }

    /** @param end of the VIN, at least three characters */
    @Transactional(readOnly = true)
    public List<Job> byVinEnd(String end) {
        return jobs.findByVehicleVinEndingWithOrderByCreatedAtDesc(end, Limit.of(20)).stream()
                .map(JobStore::record)
                .toList();
    }

    /** By a word of the complaint, the model or the replaced module; open ones first, at most 20. */
    @Transactional(readOnly = true)
    public List<Job> byWords(String text) {
        String plain = text.toLowerCase(java.util.Locale.ROOT).replace("%", "").replace("_", "");
        String module = "%" + plain.replace(' ', '-') + "%";
        return jobs.byWords("%" + plain + "%", module, Limit.of(20)).stream()
                .map(JobStore::record)
                .toList();
    }

    @Transactional(readOnly = true)
    public Optional<VehicleRecord> vehicle(String vin) {
        return vehicles.findByVin(vin).map(v -> new VehicleRecord(v.id, new Vin(v.vin), v.pack, v.model));
    }

    /** The vehicle, taken in without a job when it is not there yet. */
    public VehicleRecord vehicle(Vin vin, String packId, String model, Instant now) {
        VehicleEntity vehicle = vehicles.findByVin(vin.text()).orElseGet(() -> addVehicle(vin, packId, model, now));
        return new VehicleRecord(vehicle.id, vin, vehicle.pack, vehicle.model);
    }

    /** @param text any part of VIN or model; empty for all. Those seen last first, at most 100 */
    @Transactional(readOnly = true)
    public List<VehicleLine> vehicleLines(String text) {
        String like =
                "%" + text.toUpperCase(java.util.Locale.ROOT).replace("%", "").replace("_", "") + "%";
        return vehicles.lines(like, Limit.of(100));
    }

    @Transactional(readOnly = true)
    public List<VehicleRecord> vehicles() {
        return vehicles.findByOrderByCreatedAtDesc(Limit.of(200)).stream()
                .map(v -> new VehicleRecord(v.id, new Vin(v.vin), v.pack, v.model))
                .toList();
    }

    public void close(Job record, Instant now) {
        jobs.findById(record.id()).ifPresent(job -> job.closedAt = now);
    }

    public void reopen(Job record, Instant now) {
        jobs.findById(record.id()).ifPresent(job -> {
            job.closedAt = null;
            job.reopenedAt = now;
        });
    }

    /** Who acted last on a job, and how. */
    public record LastAct(String what, String who, Instant at) {}

    /** A job that nobody else acts on until this transaction ends. */
    public record Locked(long id, long version, boolean closed, Optional<LastAct> last) {}

    /** Waits for others who act on it. */
    public Optional<Locked> lock(long number) {
        return jobs.lock(number)
                .map(j -> new Locked(
                        j.id,
                        j.version,
                        j.closedAt != null,
                        Optional.ofNullable(j.lastAt).map(at -> new LastAct(j.lastAct, j.lastWho, at))));
    }

    public void acted(long jobId, String what, String who, Instant now) {
        JobEntity job = jobs.findById(jobId).orElseThrow();
        job.lastAct = what;
        job.lastWho = who;
        job.lastAt = now;
    }

    /** Waits for others who press with this key. */
    public void lockPress(String key) {
        presses.lock(key);
    }

    @Transactional(readOnly = true)
    public Optional<LastAct> pressed(String key) {
        return presses.findById(key).map(p -> new LastAct(p.what, p.who, p.at));
    }

    public void press(String key, @org.jspecify.annotations.Nullable Long jobId, LastAct act) {
        PressEntity press = presses.findById(key).orElseGet(PressEntity::new);
        press.key = key;
        press.jobId = jobId;
        press.what = act.what();
        press.who = act.who();
        press.at = act.at();
        presses.save(press);
    }

    /** Keys are needed as long as a page may stand open. */
    public void forgetPresses(Instant before) {
        presses.forget(before);
    }

    @Transactional(readOnly = true)
    public List<Long> openNumbers(String vin) {
        return jobs.openNumbers(vin);
    }

    @Transactional(readOnly = true)
    public Optional<Stranger> stranger(long jobId) {
        return strangers.findById(jobId).map(s -> new Stranger(s.vin, s.sentence, s.at, s.who));
    }

    public void stranger(long jobId, Stranger stranger) {
        StrangerEntity entity = strangers.findById(jobId).orElseGet(StrangerEntity::new);
        entity.jobId = jobId;
        entity.vin = stranger.vin();
        entity.sentence = stranger.sentence();
        entity.at = stranger.at();
        entity.who = stranger.who();
        strangers.save(entity);
    }

    public void noStranger(long jobId) {
        strangers.findById(jobId).ifPresent(strangers::delete);
    }

    /** Keeps or waives; what was kept before is replaced. */
    public void hold(long jobId, HoldNote hold) {
        HoldPointEntity entity =
                holdPoints.findByJobIdAndPoint(jobId, hold.point()).orElseGet(HoldPointEntity::new);
        entity.jobId = jobId;
        entity.point = hold.point();
        entity.state = hold.waived() ? "WAIVED" : "KEPT";
        entity.who = hold.who();
        entity.at = hold.at();
        entity.why = hold.why();
        entity.about = hold.about().orElse(null);
        holdPoints.save(entity);
    }

    /** Opens a hold point again, because what it rested on has changed. */
    public void reopen(long jobId, HoldPoint point) {
        holdPoints.findByJobIdAndPoint(jobId, point).ifPresent(holdPoints::delete);
    }

    @Transactional(readOnly = true)
    public List<HoldNote> holds(long jobId) {
        return holdPoints.findByJobId(jobId).stream()
                .map(h -> new HoldNote(
                        h.point, h.state.equals("WAIVED"), h.who, h.at, h.why, Optional.ofNullable(h.about)))
                .toList();
    }

    public void addScan(long jobId, Map<String, ModuleReading> readings, String who, Instant now) {
        ScanEntity scan = new ScanEntity();
        scan.jobId = jobId;
        scan.takenAt = now;
        scan.takenBy = who;
        scan.readings = ReadingJson.write(readings);
        scans.save(scan);
    }

    /** A scan without what was read. */
    record ScanHead(long id, Instant takenAt, String takenBy) {}

    /**
     * Scans of a job that are of its vehicle.
     *
     * @param before the last one before the plan's run
     * @param foreign how many came from another vehicle, and count for nothing
     */
    public record Scans(Optional<Scan> first, Optional<Scan> before, Optional<Scan> latest, int foreign) {}

    /**
     * @param run when the plan's run began
     * @param own whether what was read is of the job's vehicle
     */
    @Transactional(readOnly = true)
    public Scans scans(long jobId, Optional<Instant> run, Predicate<Scan> own) {
        List<ScanHead> heads = scans.heads(jobId);
        int[] foreign = new int[1];
        Predicate<Scan> counts = scan -> {
            boolean ours = own.test(scan);
            if (!ours) foreign[0]++;
            return ours;
        };
        Optional<Scan> first = heads.stream().map(this::scan).filter(counts).findFirst();
        if (first.isEmpty()) return new Scans(first, first, first, foreign[0]);
        List<ScanHead> newest = heads.reversed();
        Optional<Scan> latest = newest.stream().map(this::scan).filter(counts).findFirst();
        Optional<Scan> before = newest.stream()
                .filter(h -> run.map(began -> !h.takenAt().isAfter(began)).orElse(true))
                .map(this::scan)
                .filter(own)
                .findFirst();
        return new Scans(first, before, latest, foreign[0]);
    }

    /** A scan never changes: what was parsed once is kept. */
    private Scan scan(ScanHead head) {
        if (parsed.size() > MOST_PARSED) parsed.clear();
        Map<String, ModuleReading> readings = parsed.computeIfAbsent(
                head.id(),
                id -> java.util.Collections.unmodifiableMap(
                        ReadingJson.read(scans.findById(id).orElseThrow().readings)));
        return new Scan(head.id(), head.takenAt(), head.takenBy(), readings);
    }

    public void addPlan(long jobId, long scanId, Plan plan, String who, Instant now) {
        PlanEntity entity = new PlanEntity();
        entity.jobId = jobId;
        entity.version = plans.findFirstByJobIdOrderByVersionDesc(jobId)
                .map(p -> p.version + 1)
                .orElse(1);
        entity.scanId = scanId;
        entity.madeAt = now;
        entity.madeBy = who;
        entity.content = PlanJson.write(plan);
        plans.save(entity);
    }

    @Transactional(readOnly = true)
    public Optional<PlanVersion> plan(long jobId) {
        return plans.findFirstByJobIdOrderByVersionDesc(jobId)
                .map(p -> new PlanVersion(p.id, p.version, p.scanId, p.madeAt, p.madeBy, PlanJson.read(p.content)));
    }

    /** The plan before the newest. */
    @Transactional(readOnly = true)
    public Optional<Plan> planBefore(long jobId, int version) {
        return plans.findByJobIdAndVersion(jobId, version - 1).map(p -> PlanJson.read(p.content));
    }

    public void origin(long jobId, PartOrigin origin) {
        jobs.findById(jobId).ifPresent(job -> job.partOrigin = origin);
    }

    public void sheet(long jobId, SheetText sheet) {
        LineSheetEntity entity =
                sheets.findByJobIdAndModule(jobId, sheet.module()).orElseGet(LineSheetEntity::new);
        entity.jobId = jobId;
        entity.module = sheet.module();
        entity.source = sheet.source();
        entity.content = sheet.content();
        entity.at = sheet.at();
        entity.who = sheet.who();
        sheets.save(entity);
    }

    @Transactional(readOnly = true)
    public List<SheetText> sheets(long jobId) {
        return sheets.findByJobId(jobId).stream()
                .map(s -> new SheetText(s.module, s.source, s.content, s.at, s.who))
                .toList();
    }

    private static Job record(JobEntity job) {
        VehicleEntity vehicle = job.vehicle;
        return new Job(
                job.id,
                job.number,
                vehicle.id,
                new Vin(vehicle.vin),
                vehicle.pack,
                vehicle.model,
                job.kind,
                job.complaint,
                Optional.ofNullable(job.replacedModule),
                Optional.ofNullable(job.partOrigin),
                job.createdAt,
                job.createdBy,
                Optional.ofNullable(job.closedAt),
                Optional.ofNullable(job.reopenedAt),
                job.revision,
                job.version);
    }
}
