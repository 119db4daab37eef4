package codrane.app.live;

import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface SupplyRepository extends JpaRepository<SupplyEntity, Long> {
    List<SupplyEntity> findByRunIdOrderByBegunAt(long runId);
}
