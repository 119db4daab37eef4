package codrane.app.baseline;

import codrane.core.baseline.BaselineSummary;
import codrane.core.baseline.BaselineSummary.Purpose;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface BaselineRepository extends JpaRepository<BaselineEntity, Long> {
    String SUMMARY =
            "select new codrane.core.baseline.BaselineSummary(b.id, b.jobId, b.vehicleId, b.takenAt, b.takenBy,"
                    + " b.sha256, b.origin, b.purpose, b.scope, length(b.content)) from BaselineEntity b ";

    @Query(SUMMARY + "where b.id = :id")
    Optional<BaselineSummary> summary(long id);

    @Query(SUMMARY + "where b.jobId in :jobIds order by b.takenAt, b.id")
    List<BaselineSummary> ofJobs(Collection<Long> jobIds);

    @Query(SUMMARY + "where b.vehicleId = :vehicleId order by b.takenAt desc, b.id desc")
    List<BaselineSummary> ofVehicle(long vehicleId, Limit limit);

    @Query(SUMMARY + "where b.vehicleId in (select v.id from VehicleEntity v where v.pack = :pack) and b.scope = ''"
            + " and b.purpose <> codrane.core.baseline.BaselineSummary.Purpose.OLD_PART"
            + " order by b.takenAt desc, b.id desc")
    List<BaselineSummary> whole(String pack, Limit limit);

    @Query("select b.id from BaselineEntity b where b.purpose = :purpose order by b.takenAt desc")
    List<Long> idsOf(Purpose purpose, Limit limit);

    boolean existsByVehicleIdAndSha256(long vehicleId, String sha256);
}
