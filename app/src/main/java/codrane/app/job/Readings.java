package codrane.app.job;

import codrane.app.interfaces.BenchInterface;
import codrane.app.interfaces.Interfaces;
import codrane.app.live.JobTasks.TaskFailedException;
import codrane.app.live.Witness;
import codrane.app.notes.NoteKind;
import codrane.app.notes.Notes;
import codrane.app.records.AuditTrail;
import codrane.core.job.Job;
import codrane.core.job.JobState;
import codrane.core.scan.ModuleReading;
import codrane.core.scan.WhoAnswers;
import codrane.link.DiagnosticLink;
import java.util.List;
import java.util.Map;
import java.util.Objects;
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
    /** Another vehicle that answered; empty VIN when only its serial numbers gave it away. */
    public static final NoteKind<StrangerStored> STRANGER = NoteKind.first("stranger", StrangerStored.class);

    private static final int END = 6;

    private final Interfaces interfaces;
    private final JobStore jobs;
    private final Vehicles vehicles;
    private final Notes notes;
    private final Acts acts;
    private final AuditTrail audit;

    Readings(Interfaces interfaces, JobStore jobs, Vehicles vehicles, Notes notes, Acts acts, AuditTrail audit) {
        this.interfaces = interfaces;
        this.jobs = jobs;
        this.vehicles = vehicles;
        this.notes = notes;
        this.acts = acts;
        this.audit = audit;
    }

    /** As it is stored. */
    public record StrangerStored(String vin, String sentence) {}

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
    public <T> T read(JobState state, String who, Function<DiagnosticLink, T> work) {
        BenchInterface bench =
                interfaces.of(state.pack()).orElseThrow(() -> new TaskFailedException(BenchInterface.NONE_SPEAKS));
        Optional<WhoAnswers.Another> stranger;
        T result = null;
        try {
            result = bench.use(state.pack(), link -> {
                ours(state, link);
                T read = work.apply(link);
                ours(state, link);
                return read;
            });
            stranger = Optional.empty();
        } catch (AnotherException e) {
            stranger = Optional.of(e.another);
        }
        if (stranger.isPresent()) throw refuse(state, who, stranger.get());
        return Objects.requireNonNull(result);
    }

    private static final class AnotherException extends RuntimeException {
        private final transient WhoAnswers.Another another;

        AnotherException(WhoAnswers.Another another) {
            this.another = another;
        }
    }

    private static void ours(JobState state, DiagnosticLink link) {
        Job job = state.job();
        if (Witness.whose(link, state.pack(), job.vin(), job.replacedModule().orElse(""))
                instanceof WhoAnswers.Another another) throw new AnotherException(another);
    }

    /**
     * What a scan itself tells: a cable may be moved in the middle of it.
     *
     * @throws StrangerException when it is of another vehicle
     */
    public void own(JobState state, String who, Map<String, ModuleReading> readings) {
        Job job = state.job();
        if (WhoAnswers.judge(
                        state.pack(), job.vin(), readings, job.replacedModule().orElse(""))
                instanceof WhoAnswers.Another another) throw refuse(state, who, another);
    }

    private StrangerException refuse(JobState state, String who, WhoAnswers.Another another) {
        String sentence = sentence(state.job(), another);
        mark(state, who, another.vin(), sentence);
        return new StrangerException(sentence + " Nothing that it said was kept.");
    }

    /** The job waits for a person until the right vehicle answers at Bench. */
    public void mark(JobState state, String who, String vin, String sentence) {
        acts.then(state.job().number(), who, "met another vehicle", now -> {
            notes.put(now.job().id(), STRANGER, new StrangerStored(vin, sentence), who);
            audit.record(who, "met another vehicle", "job " + now.job().number(), vin);
            return Acted.done();
        });
    }

    private String sentence(Job job, WhoAnswers.Another another) {
        String own = job.vehicle().brief();
        return "Another vehicle is on the cable: you are on " + named(another.vin()) + ". Plug into the " + own + ".";
    }

    private String named(String vin) {
        Optional<Job.Vehicle> known = vehicles.find(vin);
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
