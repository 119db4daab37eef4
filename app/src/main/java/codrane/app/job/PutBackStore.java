package codrane.app.job;

import codrane.core.baseline.PutBack;
import java.sql.Timestamp;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Keeps which settings of a job are to be written: lost ones to be put back, and those chosen by name. */
@Component
@Transactional
class PutBackStore {
    private final JdbcClient jdbc;

    PutBackStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /**
     * Replaces what was chosen before.
     *
     * @param baselineId from which they were lost; empty for settings that are changed by name
     */
    void put(long jobId, Optional<Long> baselineId, List<PutBack> settings, Instant at, String who) {
        jdbc.sql("delete from put_back where job_id = ?").param(jobId).update();
        for (PutBack s : settings) {
            jdbc.sql("insert into put_back (job_id, module, layout, field, value, found, baseline_id, at, who)"
                            + " values (?, ?, ?, ?, ?, ?, ?, ?, ?)")
                    .params(
                            jobId,
                            s.module(),
                            s.layout(),
                            s.field(),
                            s.value(),
                            s.found(),
                            baselineId.orElse(null),
                            Timestamp.from(at),
                            who)
                    .update();
        }
    }

    @Transactional(readOnly = true)
    public List<PutBack> of(long jobId) {
        return jdbc.sql(
                        "select module, layout, field, value, found from put_back where job_id = ? order by layout, field")
                .param(jobId)
                .query((r, n) -> new PutBack(
                        r.getString("module"),
                        r.getString("layout"),
                        r.getString("field"),
                        r.getString("value"),
                        r.getString("found")))
                .list();
    }
}
