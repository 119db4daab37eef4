package codrane.app.job.jpa;

import codrane.core.plan.HoldPoint;
import jakarta.persistence.LockModeType;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.EntityGraph;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

/** Spring Data's repositories of this package, one for each entity. */
final class Repositories {
    private Repositories() {}

    interface Vehicles extends JpaRepository<VehicleEntity, Long> {
        Optional<VehicleEntity> findByVin(String vin);

        List<VehicleEntity> findByOrderByCreatedAtDesc(Limit limit);

        /** Last seen: the newest of its jobs and baselines. */
        @Query("""
                select new codrane.app.job.jpa.JobStore$VehicleLine(v.vin, v.model,
                  (select count(j) from JobEntity j where j.vehicle = v),
                  (select count(j) from JobEntity j where j.vehicle = v and j.closedAt is null),
                  (select count(b) from BaselineEntity b where b.vehicleId = v.id),
                  coalesce(greatest((select max(j.createdAt) from JobEntity j where j.vehicle = v),
                    (select max(b.takenAt) from BaselineEntity b where b.vehicleId = v.id)), v.createdAt))
                from VehicleEntity v where v.vin like :like or upper(v.model) like :like
                order by coalesce(greatest((select max(j.createdAt) from JobEntity j where j.vehicle = v),
                  (select max(b.takenAt) from BaselineEntity b where b.vehicleId = v.id)), v.createdAt) desc""")
        List<JobStore.VehicleLine> lines(String like, Limit limit);
    }

    interface Jobs extends JpaRepository<JobEntity, Long> {
        @Query(value = "select nextval('job_number')", nativeQuery = true)
        long nextNumber();

        @EntityGraph(attributePaths = "vehicle")
        Optional<JobEntity> findByNumber(long number);

        @Lock(LockModeType.PESSIMISTIC_WRITE)
        @Query("select j from JobEntity j join fetch j.vehicle where j.number = :number")
        Optional<JobEntity> lock(long number);

        /** Numbers of open jobs on a vehicle, oldest first. */
        @Query("select j.number from JobEntity j where j.vehicle.vin = :vin and j.closedAt is null order by j.number")
        List<Long> openNumbers(String vin);

        @EntityGraph(attributePaths = "vehicle")
        List<JobEntity> findByClosedAtIsNullOrderByCreatedAtDesc(Limit limit);

        @EntityGraph(attributePaths = "vehicle")
        List<JobEntity> findByVehicleIdOrderByCreatedAtDesc(long vehicleId, Limit limit);

        /** Open ones first. */
        @EntityGraph(attributePaths = "vehicle")
        @Query(
                "select j from JobEntity j where lower(j.complaint) like :words or lower(j.vehicle.model) like :words"
                        + " or lower(j.replacedModule) like :module order by (case when j.closedAt is null then 0 else 1 end), j.createdAt desc")
        List<JobEntity> byWords(String words, String module, Limit limit);

        @EntityGraph(attributePaths = "vehicle")
        List<JobEntity> findByVehicleVinEndingWithOrderByCreatedAtDesc(String end, Limit limit);
    }

    interface HoldPoints extends JpaRepository<HoldPointEntity, Long> {
        List<HoldPointEntity> findByJobId(long jobId);

        Optional<HoldPointEntity> findByJobIdAndPoint(long jobId, HoldPoint point);
    }

    interface Scans extends JpaRepository<ScanEntity, Long> {
        /** Oldest first, without what was read. */
        @Query("select new codrane.app.job.jpa.JobStore$ScanHead(s.id, s.takenAt, s.takenBy) from ScanEntity s"
                + " where s.jobId = :jobId order by s.takenAt, s.id")
        List<JobStore.ScanHead> heads(long jobId);
    }

    interface Plans extends JpaRepository<PlanEntity, Long> {
        Optional<PlanEntity> findFirstByJobIdOrderByVersionDesc(long jobId);

        Optional<PlanEntity> findByJobIdAndVersion(long jobId, int version);
    }

    interface Presses extends JpaRepository<PressEntity, String> {
        /** Waits for whoever uses the same key in a transaction. */
        @Query(value = "select cast(pg_advisory_xact_lock(hashtext(:key)) as text)", nativeQuery = true)
        String lock(String key);

        @Modifying
        @Query("delete from PressEntity p where p.at < :before")
        void forget(Instant before);
    }

    interface Strangers extends JpaRepository<StrangerEntity, Long> {}

    interface LineSheets extends JpaRepository<LineSheetEntity, Long> {
        List<LineSheetEntity> findByJobId(long jobId);

        Optional<LineSheetEntity> findByJobIdAndModule(long jobId, String module);
    }
}
