package codrane.core.job;

import codrane.core.pack.Pack;
import codrane.core.scan.WhoAnswers;
import java.time.Instant;
import java.util.List;
import java.util.Optional;

/**
 * Scans of a job that are of its vehicle.
 *
 * @param first its faults were there before anybody did anything
 * @param before the last one before the plan's run; what the plan rests on
 * @param foreign how many came from another vehicle, and count for nothing
 */
public record Scans(Optional<Scan> first, Optional<Scan> before, Optional<Scan> latest, int foreign) {
    /** @param run when the plan's run began */
    static Scans of(Job job, Pack pack, List<Scan> all, Optional<Instant> run) {
        String replaced = job.replacedModule().orElse("");
        List<Scan> own = all.stream()
                .filter(scan ->
                        !(WhoAnswers.judge(pack, job.vin(), scan.readings(), replaced) instanceof WhoAnswers.Another))
                .toList();
        return new Scans(
                own.stream().findFirst(),
                own.reversed().stream()
                        .filter(s ->
                                run.map(began -> !s.takenAt().isAfter(began)).orElse(true))
                        .findFirst(),
                own.reversed().stream().findFirst(),
                all.size() - own.size());
    }
}
