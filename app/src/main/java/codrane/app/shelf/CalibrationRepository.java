package codrane.app.shelf;

import java.util.List;
import java.util.Optional;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;

interface CalibrationRepository extends JpaRepository<CalibrationEntity, Long> {
    Optional<CalibrationEntity> findByManifestIdAndSha256(String manifestId, String sha256);

    List<CalibrationEntity> findByOrderByFetchedAtDesc(Limit limit);
}
