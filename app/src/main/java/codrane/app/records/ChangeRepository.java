package codrane.app.records;

import java.util.Collection;
import java.util.List;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface ChangeRepository extends JpaRepository<ChangeEntity, Long> {
    List<ChangeEntity> findByJobIdOrderById(long jobId);

    List<ChangeEntity> findByVehicleIdOrderByAtDesc(long vehicleId, Limit limit);

    boolean existsByRunIdAndTask(long runId, int task);

    @Query(
            "select c from ChangeEntity c, VehicleEntity v where v.id = c.vehicleId and v.pack = :pack"
                    + " and c.module in :modules and c.dataIdentifier is null and c.task is not null and c.runId < :before order by c.id desc")
    List<ChangeEntity> programmed(String pack, Collection<String> modules, long before, Limit limit);
}
