package codrane.app.job;

import codrane.core.job.BenchNotes;
import java.sql.Timestamp;
import java.time.Instant;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import tools.jackson.databind.ObjectMapper;

/** Keeps what was noted at the bench for a job. */
@Component
class BenchNotesStore {
    private static final ObjectMapper JSON = new ObjectMapper();

    private final JdbcClient jdbc;

    BenchNotesStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    void put(long jobId, BenchNotes notes, Instant at, String who) {
        jdbc.sql("insert into bench_notes (job_id, content, at, who) values (?, ?, ?, ?) on conflict (job_id) do update"
                        + " set content = excluded.content, at = excluded.at, who = excluded.who")
                .params(jobId, JSON.writeValueAsString(notes), Timestamp.from(at), who)
                .update();
    }

    BenchNotes get(long jobId) {
        return jdbc.sql("select content from bench_notes where job_id = ?")
                .param(jobId)
                .query(String.class)
                .optional()
                .map(content -> JSON.readValue(content, BenchNotes.class))
                .orElse(BenchNotes.NONE);
    }
}
