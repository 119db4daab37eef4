package codrane.app.stage.identify;

import java.time.Instant;
import java.util.Collection;
import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface ScanRepository extends JpaRepository<ScanEntity, Long> {
    /** A scan without what was read. */
    record Head(long id, long jobId, Instant takenAt, String takenBy) {}

    /** Oldest first. */
    @Query("select new codrane.app.stage.identify.ScanRepository$Head(s.id, s.jobId, s.takenAt, s.takenBy)"
            + " from ScanEntity s where s.jobId in :jobIds order by s.takenAt, s.id")
    List<Head> heads(Collection<Long> jobIds);
}
