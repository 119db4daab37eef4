package codrane.app.job;

import codrane.app.press.LastAct;
import codrane.core.job.Job;
import codrane.core.pack.Pack;
import codrane.core.plan.PartOrigin;
import codrane.core.vin.Vin;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Keeps jobs: what they are, and who acted last. What was found for them is kept by the rooms. */
@Component
@Transactional
public class JobStore {
    private static final int MOST_OPEN = 500;
    private static final int MOST_FOUND = 20;
    private static final int MOST_OF_VEHICLE = 50;

    private final JobRepository jobs;
    private final Vehicles vehicles;

    JobStore(JobRepository jobs, Vehicles vehicles) {
        this.jobs = jobs;
        this.vehicles = vehicles;
    }

    /** What a new job begins with. */
    public record NewJob(Vin vin, Pack pack, Job.Wanted wanted) {}

    /** @return the job's number */
    public long add(NewJob newJob, String who, Instant now) {
        Pack pack = newJob.pack();
        JobEntity job = new JobEntity();
        job.number = jobs.nextNumber();
        job.vehicle = vehicles.entity(
                newJob.vin(), pack.id(), pack.modelOf(newJob.vin()).orElseThrow(), now);
        job.wanted(newJob.wanted());
        job.createdAt = now;
        job.createdBy = who;
        return jobs.save(job).number;
    }

    @Transactional(readOnly = true)
    public Optional<Job> find(long number) {
        return jobs.findByNumber(number).map(JobEntity::job);
    }

    @Transactional(readOnly = true)
    public Optional<Job> byId(long id) {
        return jobs.findById(id).map(JobEntity::job);
    }

    /** Newest first. */
    @Transactional(readOnly = true)
    public List<Job> open() {
        return records(jobs.findByClosedAtIsNullOrderByCreatedAtDesc(Limit.of(MOST_OPEN)));
    }

    @Transactional(readOnly = true)
    public List<Job> ofVehicle(long vehicleId) {
        return records(jobs.findByVehicleIdOrderByCreatedAtDesc(vehicleId, Limit.of(MOST_OF_VEHICLE)));
    }

    /** @param end of the VIN, at least three characters */
    @Transactional(readOnly = true)
    public List<Job> byVinEnd(String end) {
        return records(jobs.findByVehicleVinEndingWithOrderByCreatedAtDesc(end, Limit.of(MOST_FOUND)));
    }

    /** By a word of the complaint, the model or the replaced module; open ones first, at most 20. */
    @Transactional(readOnly = true)
    public List<Job> byWords(String text) {
        String plain = text.toLowerCase(Locale.ROOT).replace("%", "").replace("_", "");
        return records(jobs.byWords("%" + plain + "%", "%" + plain.replace(' ', '-') + "%", Limit.of(MOST_FOUND)));
    }

    private static List<Job> records(List<JobEntity> found) {
        return found.stream().map(JobEntity::job).toList();
    }

    /** Numbers of open jobs on a vehicle, oldest first. */
    @Transactional(readOnly = true)
    public List<Long> openNumbers(String vin) {
        return jobs.openNumbers(vin);
    }

    public void close(Job job, Instant now) {
        jobs.findById(job.id()).ifPresent(j -> j.closedAt = now);
    }

    /** Ends it before its work. */
    public void cancel(Job job, String why, Instant now) {
        jobs.findById(job.id()).ifPresent(j -> {
            j.closedAt = now;
            j.closedWhy = why;
        });
    }

    /** It was taken in wrongly. */
    public void correct(Job job, Job.Wanted wanted) {
        jobs.findById(job.id()).ifPresent(j -> j.wanted(wanted));
    }

    public void reopen(Job job, Instant now) {
        jobs.findById(job.id()).ifPresent(j -> {
            j.closedWhy = "";
            j.closedAt = null;
            j.reopenedAt = now;
        });
    }

    public void origin(Job job, PartOrigin origin) {
        jobs.findById(job.id()).ifPresent(j -> j.partOrigin = origin);
    }

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

    /** Raises the job's version. */
    public void acted(long jobId, LastAct act) {
        JobEntity job = jobs.findById(jobId).orElseThrow();
        job.lastAct = act.what();
        job.lastWho = act.who();
        job.lastAt = act.at();
    }
}
