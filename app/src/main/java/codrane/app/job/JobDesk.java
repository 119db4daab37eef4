package codrane.app.job;

import codrane.app.notes.Notes;
import codrane.app.packs.PackShelf;
import codrane.core.job.Job;
import codrane.core.job.JobState;
import codrane.core.job.Now;
import codrane.core.job.Part;
import java.time.InstantSource;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Isolation;
import org.springframework.transaction.annotation.Transactional;

/**
 * Gathers what is known of jobs: each room gives its part, for one job or for all at once. All of one moment: a page must
 * not show what was kept after the version that it carries.
 */
@Component
@Transactional(readOnly = true, isolation = Isolation.REPEATABLE_READ)
public class JobDesk {
    private final JobStore jobs;
    private final Holds holds;
    private final Notes notes;
    private final PackShelf packs;
    private final List<Room> rooms;
    private final InstantSource time;
    private final ZoneId zone;

    JobDesk(
            JobStore jobs,
            Holds holds,
            Notes notes,
            PackShelf packs,
            List<Room> rooms,
            InstantSource time,
            ZoneId zone) {
        this.jobs = jobs;
        this.holds = holds;
        this.notes = notes;
        this.packs = packs;
        this.rooms = rooms;
        this.time = time;
        this.zone = zone;
    }

    /** There is no job of this number. */
    public static final class UnknownJobException extends RuntimeException {
        UnknownJobException(long number) {
            super("There is no job " + number + ".");
        }
    }

    /** @throws UnknownJobException when there is no such job */
    public JobState state(long number) {
        Job job = jobs.find(number).orElseThrow(() -> new UnknownJobException(number));
        return states(List.of(job)).getFirst();
    }

    /** In the same order, with as many queries as for one. */
    public List<JobState> states(List<Job> wanted) {
        if (wanted.isEmpty()) return List.of();
        List<Long> ids = wanted.stream().map(Job::id).toList();
        List<Gathering.Asked> asked = wanted.stream()
                .map(job -> new Gathering.Asked(job, packs.get(job.packId())))
                .toList();
        Now now = new Now(time.instant(), zone);
        Gathering gathering = new Gathering(asked, notes.of(ids), now);
        Map<Long, List<codrane.core.job.HoldNote>> kept = holds.of(ids);
        List<Map<Long, ? extends Part>> parts = new ArrayList<>();
        for (Room room : rooms) parts.add(room.gather(gathering));
        return asked.stream()
                .map(a -> new JobState(
                        a.job(),
                        a.pack(),
                        now,
                        kept.getOrDefault(a.job().id(), List.of()),
                        parts.stream()
                                .flatMap(p ->
                                        Optional.<Part>ofNullable(p.get(a.job().id())).stream())
                                .toList()))
                .toList();
    }
}
