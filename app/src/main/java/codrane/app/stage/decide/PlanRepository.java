package codrane.app.stage.decide;

import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface PlanRepository extends JpaRepository<PlanEntity, Long> {
    /** The newest of each job. */
    @Query("""
            select p from PlanEntity p where p.jobId in :jobIds
              and p.version = (select max(q.version) from PlanEntity q where q.jobId = p.jobId)""")
    List<PlanEntity> newest(Collection<Long> jobIds);

    Optional<PlanEntity> findByJobIdAndVersion(long jobId, int version);
}
