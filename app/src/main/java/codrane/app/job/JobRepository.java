package codrane.app.job;

import jakarta.persistence.LockModeType;
import java.util.List;
import java.util.Optional;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.EntityGraph;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Query;

interface JobRepository extends JpaRepository<JobEntity, Long> {
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
    @Query("""
            select j from JobEntity j
            where lower(j.complaint) like :words or lower(j.vehicle.model) like :words
              or lower(j.replacedModule) like :module
            order by (case when j.closedAt is null then 0 else 1 end), j.createdAt desc""")
    List<JobEntity> byWords(String words, String module, Limit limit);

    @EntityGraph(attributePaths = "vehicle")
    List<JobEntity> findByVehicleVinEndingWithOrderByCreatedAtDesc(String end, Limit limit);
}
