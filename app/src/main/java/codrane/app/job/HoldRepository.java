package codrane.app.job;

import codrane.core.plan.HoldPoint;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

interface HoldRepository extends JpaRepository<HoldPointEntity, Long> {
    List<HoldPointEntity> findByJobIdInOrderById(Collection<Long> jobIds);

    Optional<HoldPointEntity> findByJobIdAndPoint(long jobId, HoldPoint point);
}
