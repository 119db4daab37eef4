package codrane.app.live;

import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface TraceRepository extends JpaRepository<TraceEntity, Long> {
    List<TraceEntity> findByRunIdOrderByTakenAt(long runId);

    boolean existsByRunId(long runId);
}
