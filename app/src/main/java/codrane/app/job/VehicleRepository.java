package codrane.app.job;

import java.util.List;
import java.util.Optional;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface VehicleRepository extends JpaRepository<VehicleEntity, Long> {
    Optional<VehicleEntity> findByVin(String vin);

    @Query("select v.vin from VehicleEntity v")
    List<String> vins();

    /** Last seen: the newest of its jobs and baselines. */
    @Query("""
            select new codrane.app.job.Vehicles$Line(v.vin, v.model,
              (select count(j) from JobEntity j where j.vehicle = v),
              (select count(j) from JobEntity j where j.vehicle = v and j.closedAt is null),
              (select count(b) from BaselineEntity b where b.vehicleId = v.id),
              coalesce(greatest((select max(j.createdAt) from JobEntity j where j.vehicle = v),
                (select max(b.takenAt) from BaselineEntity b where b.vehicleId = v.id)), v.createdAt))
            from VehicleEntity v where v.vin like :like or upper(v.model) like :like
            order by coalesce(greatest((select max(j.createdAt) from JobEntity j where j.vehicle = v),
              (select max(b.takenAt) from BaselineEntity b where b.vehicleId = v.id)), v.createdAt) desc""")
    List<Vehicles.Line> lines(String like, Limit limit);
}
