package codrane.app.baseline;

import codrane.app.interfaces.BenchInterface;
import codrane.app.interfaces.Interfaces;
import codrane.app.job.Acted;
import codrane.app.job.Acts;
import codrane.app.job.Readings;
import codrane.app.live.JobTasks;
import codrane.app.records.AuditTrail;
import codrane.core.baseline.Baseline;
import codrane.core.baseline.BaselineEstimate;
import codrane.core.baseline.BaselineSummary.Origin;
import codrane.core.baseline.BaselineSummary.Purpose;
import codrane.core.job.Job;
import codrane.core.job.JobState;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import codrane.core.scan.DeepReading;
import codrane.core.scan.ObdReading;
import codrane.core.text.Words;
import codrane.link.LinkLostException;
import codrane.link.scan.DeepReader;
import codrane.link.scan.ObdReader;
import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.util.Collection;
import java.util.List;
import java.util.function.BiFunction;
import org.springframework.stereotype.Component;

/** Reads everything that modules tell, in the background, and stores it as a baseline. */
@Component
public class DeepReadings {
    private final Acts acts;
    private final Readings readings;
    private final Baselines baselines;
    private final JobTasks tasks;
    private final Interfaces interfaces;
    private final AuditTrail audit;
    private final InstantSource time;

    DeepReadings(
            Acts acts,
            Readings readings,
            Baselines baselines,
            JobTasks tasks,
            Interfaces interfaces,
            AuditTrail audit,
            InstantSource time) {
        this.acts = acts;
        this.readings = readings;
        this.baselines = baselines;
        this.tasks = tasks;
        this.interfaces = interfaces;
        this.audit = audit;
        this.time = time;
    }

    /**
     * Reads and keeps.
     *
     * @param keep what is kept, with the state as it is when all was read
     */
    public void begin(JobState state, Work work, String who, BiFunction<JobState, DeepReading, Acted> keep) {
        long number = state.job().number();
        tasks.begin(number, work.title(), teller -> {
            DeepReading reading = read(state, who, work.wanted(), teller);
            acts.keep(number, who, work.said(), now -> keep.apply(now, reading));
        });
    }

    /** @param said in words that follow a person's name */
    public record Work(String title, String said, Collection<PackModule> wanted) {}

    /** Keeps a baseline of what was read. */
    public Baseline keep(JobState state, DeepReading reading, Purpose purpose, String scope, String who) {
        Job job = state.job();
        Instant now = time.instant();
        Baseline baseline = Baseline.of(state.pack(), job.vin().text(), now, reading);
        baselines.add(new Baselines.Place(job.id(), job.vehicleId(), Origin.READ, purpose, scope), baseline, now, who);
        audit.record(who, "stored baseline", "job " + job.number(), baseline.sha256());
        return baseline;
    }

    private DeepReading read(JobState state, String who, Collection<PackModule> wanted, JobTasks.Teller teller) {
        Pack pack = state.pack();
        Instant begun = time.instant();
        Duration expected = BaselineEstimate.of(pack, wanted);
        int[] done = new int[1];
        List<ObdReading> obd = legislated(state, wanted);
        return readings.read(
                state,
                who,
                link -> new DeepReader(link, pack).read(wanted, obd, reading -> {
                    String left = left(begun, expected, ++done[0], wanted.size());
                    teller.tell(pack.module(reading.module()).title() + ", " + left, done[0], wanted.size());
                }));
    }

    private List<ObdReading> legislated(JobState state, Collection<PackModule> wanted) {
        if (wanted.size() == 1) return List.of();
        return interfaces
                .of(state.pack())
                .map(bench -> obd(state.pack(), bench))
                .orElse(List.of());
    }

    /** Those who take no part in the legislated diagnostics are silent: that is no failure. */
    private static List<ObdReading> obd(Pack pack, BenchInterface bench) {
        try {
            return bench.useLegislated(pack, link -> new ObdReader(link).read());
        } catch (LinkLostException e) {
            return List.of();
        }
    }

    /** By the pace so far, once there is one. */
    private String left(Instant begun, Duration expected, int done, int total) {
        Duration spent = Duration.between(begun, time.instant());
        Duration whole = done < 3 ? expected : spent.multipliedBy(total).dividedBy(done);
        long seconds = Math.max(0, whole.minus(spent).toSeconds());
        return done == total ? "storing" : "about " + Words.lasting(seconds) + " left";
    }
}
