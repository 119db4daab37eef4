package codrane.app.access;

import java.util.Collection;
import java.util.List;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface AuthorisationRepository extends JpaRepository<AuthorisationEntity, Long> {
    /** Newest first. */
    List<AuthorisationEntity> findByVehicleIdOrderByGrantedAtDescIdDesc(long vehicleId, Limit limit);

    /** Seen open, and not seen locked since; newest first. */
    @Query("select a from AuthorisationEntity a where a.vehicleId in :vehicleIds and a.provenAt is not null"
            + " and a.endedAt is null order by a.grantedAt desc, a.id desc")
    List<AuthorisationEntity> believed(Collection<Long> vehicleIds);

    /** With the VIN, newest first. */
    @Query("select new codrane.app.access.AccessStore$Granted(a, v.vin) from AuthorisationEntity a, VehicleEntity v"
            + " where v.id = a.vehicleId order by a.grantedAt desc, a.id desc")
    List<AccessStore.Granted> latest(Limit limit);
}
