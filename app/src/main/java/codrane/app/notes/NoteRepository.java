package codrane.app.notes;

import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

interface NoteRepository extends JpaRepository<NoteEntity, Long> {
    List<NoteEntity> findByJobIdInOrderById(Collection<Long> jobIds);

    List<NoteEntity> findTop200ByKindAndSubjectOrderByIdDesc(String kind, String subject);

    Optional<NoteEntity> findByJobIdAndKindAndSubject(long jobId, String kind, String subject);
}
