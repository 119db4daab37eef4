package codrane.app.shelf;

import java.util.Collection;
import java.util.List;
import org.springframework.data.jpa.repository.EntityGraph;
import org.springframework.data.jpa.repository.JpaRepository;

interface PreparedRepository extends JpaRepository<PreparedEntity, Long> {
    @EntityGraph(attributePaths = "calibration")
    List<PreparedEntity> findByJobIdIn(Collection<Long> jobIds);
}
