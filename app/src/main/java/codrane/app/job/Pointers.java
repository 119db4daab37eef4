package codrane.app.job;

import codrane.app.live.LiveHub;
import codrane.app.workshop.Times;
import codrane.core.job.Job;
import java.time.InstantSource;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** What a second person points at, from wherever they are: one thing a job, until it is seen or another one is. */
@Component
class Pointers {
    private final PointerRepository pointers;
    private final JobStore jobs;
    private final LiveHub hub;
    private final InstantSource time;
    private final Times times;

    Pointers(PointerRepository pointers, JobStore jobs, LiveHub hub, InstantSource time, Times times) {
        this.pointers = pointers;
        this.jobs = jobs;
        this.hub = hub;
        this.time = time;
        this.times = times;
    }

    /** @param note in their own words; may be empty */
    public record Pointed(String who, Spot spot, String note, String at) {}

    /** No act on the job: whoever is at work in it is not overtaken. */
    Acted point(long number, String who, Spot spot, String note) {
        Job job = open(number);
        if (job.closedAt().isPresent()) return Acted.refused(Acts.CLOSED);
        PointerEntity pointer = new PointerEntity();
        pointer.jobId = job.id();
        pointer.who = who;
        pointer.spot = spot.key();
        pointer.note = note;
        pointer.at = time.instant();
        pointers.save(pointer);
        tell(number);
        return Acted.done();
    }

    Acted seen(long number) {
        Job job = open(number);
        if (job.closedAt().isPresent()) return Acted.refused(Acts.CLOSED);
        pointers.findById(job.id()).ifPresent(pointers::delete);
        tell(number);
        return Acted.done();
    }

    private Job open(long number) {
        return jobs.find(number).orElseThrow(() -> new JobDesk.UnknownJobException(number));
    }

    private void tell(long number) {
        hub.publish("job-" + number, Map.of("type", "point"));
    }

    Optional<Pointed> of(long jobId) {
        return pointers.findById(jobId)
                .flatMap(p -> Spot.of(p.spot).map(spot -> new Pointed(p.who, spot, p.note, times.clock(p.at))));
    }
}
