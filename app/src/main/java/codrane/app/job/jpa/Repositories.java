package codrane.app.job.jpa;

import codrane.core.plan.HoldPoint;
import java.util.List;
import java.util.Optional;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.EntityGraph;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

/** Spring Data's repositories of this package, one for each entity. */
final class Repositories {
    private Repositories() {}

    interface Vehicles extends JpaRepository<VehicleEntity, Long> {
        Optional<VehicleEntity> findByVin(String vin);

        List<VehicleEntity> findByOrderByCreatedAtDesc(Limit limit);
    }

    interface Jobs extends JpaRepository<JobEntity, Long> {
        @Query(value = "select nextval('job_number')", nativeQuery = true)
        long nextNumber();

        @EntityGraph(attributePaths = "vehicle")
        Optional<JobEntity> findByNumber(long number);

        @EntityGraph(attributePaths = "vehicle")
        List<JobEntity> findByClosedAtIsNullOrderByCreatedAtDesc(Limit limit);

        @EntityGraph(attributePaths = "vehicle")
        List<JobEntity> findByVehicleIdOrderByCreatedAtDesc(long vehicleId, Limit limit);

        @EntityGraph(attributePaths = "vehicle")
        List<JobEntity> findByVehicleVinEndingWithOrderByCreatedAtDesc(String end, Limit limit);
    }

    interface HoldPoints extends JpaRepository<HoldPointEntity, Long> {
        List<HoldPointEntity> findByJobId(long jobId);

        Optional<HoldPointEntity> findByJobIdAndPoint(long jobId, HoldPoint point);
    }

    interface Scans extends JpaRepository<ScanEntity, Long> {
        Optional<ScanEntity> findFirstByJobIdOrderByTakenAtDesc(long jobId);

        Optional<ScanEntity> findFirstByJobIdOrderByTakenAt(long jobId);
    }

    interface Baselines extends JpaRepository<BaselineEntity, Long> {
        Optional<BaselineEntity> findFirstByJobIdOrderByTakenAt(long jobId);
    }

    interface Plans extends JpaRepository<PlanEntity, Long> {
        Optional<PlanEntity> findFirstByJobIdOrderByVersionDesc(long jobId);
    }

    interface LineSheets extends JpaRepository<LineSheetEntity, Long> {
        List<LineSheetEntity> findByJobId(long jobId);

        Optional<LineSheetEntity> findByJobIdAndModule(long jobId, String module);
    }
}
