package codrane.app.stage.decide;

import codrane.core.job.PlanVersion;
import codrane.core.plan.Plan;
import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Keeps every version of every plan. */
@Component
@Transactional
class PlanStore {
    private final PlanRepository plans;

    PlanStore(PlanRepository plans) {
        this.plans = plans;
    }

    /** A plan that was made. */
    record Made(Plan plan, long scanId, Instant at, String who) {}

    void add(long jobId, Made made) {
        PlanEntity entity = new PlanEntity();
        entity.jobId = jobId;
        entity.version = plans.newest(List.of(jobId)).stream()
                        .mapToInt(p -> p.version)
                        .max()
                        .orElse(0)
                + 1;
        entity.scanId = made.scanId();
        entity.madeAt = made.at();
        entity.madeBy = made.who();
        entity.form = PlanStored.FORM;
        entity.content = PlanStored.write(made.plan());
        plans.save(entity);
    }

    /** The newest version by job. */
    @Transactional(readOnly = true)
    Map<Long, PlanVersion> newest(Collection<Long> jobIds) {
        return plans.newest(jobIds).stream().collect(Collectors.toMap(p -> p.jobId, PlanStore::version));
    }

    /** The plan before a version. */
    @Transactional(readOnly = true)
    Optional<Plan> before(long jobId, int version) {
        return plans.findByJobIdAndVersion(jobId, version - 1).map(p -> PlanStored.read(p.form, p.content));
    }

    private static PlanVersion version(PlanEntity p) {
        return new PlanVersion(p.id, p.version, p.scanId, p.madeAt, p.madeBy, PlanStored.read(p.form, p.content));
    }
}
