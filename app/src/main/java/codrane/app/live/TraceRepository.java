package codrane.app.live;

import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface TraceRepository extends JpaRepository<TraceEntity, Long> {
    List<TraceEntity> findByRunIdOrderByTakenAt(long runId);

    /** The pieces of the run that a piece belongs to, if that is a run of the job. */
    @Query(
            value = "select t.* from run_trace p join run_trace t on t.run_id = p.run_id join run r on r.id = p.run_id"
                    + " where p.id = :piece and r.job_id = :job order by t.taken_at",
            nativeQuery = true)
    List<TraceEntity> beside(long piece, long job);

    boolean existsByRunId(long runId);
}
