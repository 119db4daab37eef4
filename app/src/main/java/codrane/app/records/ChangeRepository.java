package codrane.app.records;

import java.util.List;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;

interface ChangeRepository extends JpaRepository<ChangeEntity, Long> {
    List<ChangeEntity> findByJobIdOrderById(long jobId);

    List<ChangeEntity> findByVehicleIdOrderByAtDesc(long vehicleId, Limit limit);

    boolean existsByRunIdAndTask(long runId, int task);
}
