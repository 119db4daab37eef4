package codrane.app.job;

import codrane.core.job.FaultNote;
import java.sql.Timestamp;
import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** Keeps physical reasons of faults. */
@Component
class FaultNoteStore {
    private final JdbcClient jdbc;

    FaultNoteStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    void put(long jobId, FaultNote note) {
        jdbc.sql(
                        "insert into fault_note (job_id, module, code, note, at, who) values (?, ?, ?, ?, ?, ?) on conflict"
                                + " (job_id, module, code) do update set note = excluded.note, at = excluded.at, who = excluded.who")
                .params(jobId, note.module(), note.code(), note.note(), Timestamp.from(note.at()), note.who())
                .update();
    }

    List<FaultNote> of(long jobId) {
        return jdbc.sql("select module, code, note, at, who from fault_note where job_id = ? order by module, code")
                .param(jobId)
                .query((r, n) -> new FaultNote(
                        r.getString("module"),
                        r.getString("code"),
                        r.getString("note"),
                        r.getTimestamp("at").toInstant(),
                        r.getString("who")))
                .list();
    }
}
