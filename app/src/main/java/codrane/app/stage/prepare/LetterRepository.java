package codrane.app.stage.prepare;

import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

interface LetterRepository extends JpaRepository<LetterEntity, Long> {
    List<LetterEntity> findByJobIdInOrderById(Collection<Long> jobIds);

    Optional<LetterEntity> findByJobIdAndModule(long jobId, String module);
}
