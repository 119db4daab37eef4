package codrane.app.job;

import codrane.app.records.AuditTrail;
import codrane.core.job.HoldNote;
import codrane.core.job.Job;
import codrane.core.plan.HoldPoint;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Keeps hold points that people kept or waived; those kept by what was read have no row. */
@Component
@Transactional
public class Holds {
    private final HoldRepository repository;
    private final AuditTrail audit;

    Holds(HoldRepository repository, AuditTrail audit) {
        this.repository = repository;
        this.audit = audit;
    }

    /** Keeps or waives; what was kept before is replaced. */
    public void put(Job job, HoldNote hold) {
        HoldPointEntity entity =
                repository.findByJobIdAndPoint(job.id(), hold.point()).orElseGet(HoldPointEntity::new);
        entity.jobId = job.id();
        entity.point = hold.point();
        entity.state = hold.waived() ? HoldPointEntity.State.WAIVED : HoldPointEntity.State.KEPT;
        entity.who = hold.who();
        entity.at = hold.at();
        entity.why = hold.why();
        entity.about = hold.about().orElse(null);
        repository.save(entity);
        String about =
                hold.about().filter(a -> !a.isEmpty()).map(a -> " (" + a + ")").orElse("");
        audit.record(
                hold.who(),
                hold.waived() ? "waived" : "kept",
                "job " + job.number(),
                hold.point().key() + ": " + hold.why() + about);
    }

    /** Opens hold points again, because what they rested on has changed. */
    public void open(Job job, Collection<HoldPoint> points) {
        for (HoldPoint point : points)
            repository.findByJobIdAndPoint(job.id(), point).ifPresent(repository::delete);
    }

    @Transactional(readOnly = true)
    Map<Long, List<HoldNote>> of(Collection<Long> jobIds) {
        return repository.findByJobIdInOrderById(jobIds).stream()
                .collect(Collectors.groupingBy(
                        h -> h.jobId, Collectors.mapping(HoldPointEntity::note, Collectors.toList())));
    }
}
