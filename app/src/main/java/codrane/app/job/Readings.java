package codrane.app.job;

import codrane.app.job.jpa.JobStore;
import codrane.app.live.JobTasks.TaskFailedException;
import codrane.app.live.Witness;
import codrane.app.records.AuditTrail;
import codrane.app.vehicle.BenchInterface;
import codrane.app.vehicle.Interfaces;
import codrane.core.job.Stranger;
import codrane.core.scan.ModuleReading;
import codrane.core.scan.WhoAnswers;
import codrane.link.DiagnosticLink;
import java.time.InstantSource;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;

/**
 * Reads from the vehicle for a job. Before and after, it is asked which vehicle answers: what another one said is not
 * kept, and the job waits for a person.
 */
@Component
public class Readings {
    private static final int END = 6;

    private final Interfaces interfaces;
    private final JobStore jobs;
    private final Acts acts;
    private final AuditTrail audit;
    private final InstantSource time;

    Readings(Interfaces interfaces, JobStore jobs, Acts acts, AuditTrail audit, InstantSource time) {
        this.interfaces = interfaces;
        this.jobs = jobs;
        this.acts = acts;
        this.audit = audit;
        this.time = time;
    }

    /** Another vehicle answered; the message says which, and where to plug in. */
    public static final class StrangerException extends TaskFailedException {
        StrangerException(String sentence) {
            super(sentence);
        }
    }

    /**
     * @throws StrangerException when another vehicle answers
     * @throws TaskFailedException when no interface fits
     * @throws codrane.link.LinkLostException when the link is lost
     * @throws BenchInterface.BusyException when something else uses the interface
     */
    public <T> T read(JobFacts facts, String who, Function<DiagnosticLink, T> work) {
        BenchInterface bench = interfaces
                .of(facts.pack())
                .orElseThrow(() -> new TaskFailedException("No interface on this computer speaks to this vehicle."));
        Optional<WhoAnswers.Another> stranger;
        T result = null;
        try {
            result = bench.use(facts.pack(), link -> {
                ours(facts, link);
                T read = work.apply(link);
                ours(facts, link);
                return read;
            });
            stranger = Optional.empty();
        } catch (AnotherException e) {
            stranger = Optional.of(e.another);
        }
        if (stranger.isPresent()) throw refuse(facts, who, stranger.get());
        return java.util.Objects.requireNonNull(result);
    }

    private static final class AnotherException extends RuntimeException {
        private final transient WhoAnswers.Another another;

        AnotherException(WhoAnswers.Another another) {
            this.another = another;
        }
    }

    private static void ours(JobFacts facts, DiagnosticLink link) {
        WhoAnswers whose = Witness.whose(
                link,
                facts.pack(),
                facts.job().vin(),
                facts.job().replacedModule().orElse(""));
        if (whose instanceof WhoAnswers.Another another) throw new AnotherException(another);
    }

    /** What a scan itself tells: a cable may be moved in the middle of it. */
    void own(JobFacts facts, String who, Map<String, ModuleReading> readings) {
        WhoAnswers whose = WhoAnswers.judge(
                facts.pack(),
                facts.job().vin(),
                readings,
                facts.job().replacedModule().orElse(""));
        if (whose instanceof WhoAnswers.Another another) throw refuse(facts, who, another);
    }

    private StrangerException refuse(JobFacts facts, String who, WhoAnswers.Another another) {
        String sentence = sentence(facts, another);
        mark(facts, who, another.vin(), sentence);
        return new StrangerException(sentence + " Nothing that it said was kept.");
    }

    /** The job waits for a person until the right vehicle answers at Bench. */
    void mark(JobFacts facts, String who, String vin, String sentence) {
        acts.then(facts.job().number(), who, "met another vehicle", now -> {
            jobs.stranger(now.job().id(), new Stranger(vin, sentence, time.instant(), who));
            audit.record(who, "met another vehicle", "job " + now.job().number(), vin);
            return new Acted.Done(Optional.empty());
        });
    }

    private String sentence(JobFacts facts, WhoAnswers.Another another) {
        String own = facts.job().model() + " …" + facts.job().vin().end();
        return "Another vehicle is on the cable: you are on " + named(another.vin()) + ". Plug into the " + own + ".";
    }

    private String named(String vin) {
        Optional<JobStore.VehicleRecord> known = jobs.vehicle(vin);
        String end = vin.length() > END ? "…" + vin.substring(vin.length() - END) : vin;
        if (known.isEmpty()) return end + ", which was never here";
        List<Long> numbers = jobs.openNumbers(vin);
        String jobsOfIt = numbers.isEmpty()
                ? "no open job"
                : (numbers.size() == 1 ? "job " : "jobs ")
                        + numbers.stream().map(String::valueOf).collect(Collectors.joining(" and "));
        return "the " + known.get().model() + " " + end + ", " + jobsOfIt;
    }
}
