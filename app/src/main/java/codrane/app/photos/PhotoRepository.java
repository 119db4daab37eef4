package codrane.app.photos;

import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

interface PhotoRepository extends JpaRepository<PhotoEntity, Long> {
    List<PhotoEntity> findByJobIdOrderById(long jobId);

    Optional<PhotoEntity> findByJobIdAndId(long jobId, long id);

    long countByJobId(long jobId);
}
