package codrane.app.decide;

import codrane.core.ready.Letter;
import codrane.core.ready.Noted;
import codrane.core.ready.RequestLetter;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Keeps what was noted about needs of plans, passes, and requests by mail. */
@Component
@Transactional
public class NeedStore {
    private final JdbcClient jdbc;

    NeedStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    public void note(long jobId, String need, Noted noted, Instant at, String who) {
        jdbc.sql("insert into need_note (job_id, need, here, due_at, detail, at, who) values (?, ?, ?, ?, ?, ?, ?)"
                        + " on conflict (job_id, need) do update set here = excluded.here, due_at = excluded.due_at,"
                        + " detail = excluded.detail, at = excluded.at, who = excluded.who")
                .params(
                        jobId,
                        need,
                        noted.here(),
                        noted.due().map(Timestamp::from).orElse(null),
                        noted.detail(),
                        Timestamp.from(at),
                        who)
                .update();
    }

    public void forget(long jobId, String need) {
        jdbc.sql("delete from need_note where job_id = ? and need = ?")
                .params(jobId, need)
                .update();
    }

    @Transactional(readOnly = true)
    public Map<String, Noted> noted(long jobId) {
        Map<String, Noted> noted = new LinkedHashMap<>();
        jdbc.sql("select need, here, due_at, detail from need_note where job_id = ?")
                .param(jobId)
                .query((r, n) -> Map.entry(
                        r.getString("need"),
                        new Noted(r.getBoolean("here"), instant(r, "due_at"), r.getString("detail"))))
                .list()
                .forEach(row -> noted.put(row.getKey(), row.getValue()));
        return noted;
    }

    public void pass(String service, Instant until, Instant at, String who) {
        jdbc.sql("insert into maker_pass (service, until, at, who) values (?, ?, ?, ?) on conflict (service) do update"
                        + " set until = excluded.until, at = excluded.at, who = excluded.who")
                .params(service, Timestamp.from(until), Timestamp.from(at), who)
                .update();
    }

    /** Until when a pass runs, by the maker's service. */
    @Transactional(readOnly = true)
    public Map<String, Instant> passes() {
        Map<String, Instant> passes = new LinkedHashMap<>();
        jdbc.sql("select service, until from maker_pass order by service")
                .query((r, n) -> Map.entry(
                        r.getString("service"), r.getTimestamp("until").toInstant()))
                .list()
                .forEach(row -> passes.put(row.getKey(), row.getValue()));
        return passes;
    }

    /** Drafts anew, unless it was sent. */
    public void draft(long jobId, String module, RequestLetter letter, Instant at, String who) {
        jdbc.sql("insert into request_letter (job_id, module, recipient, subject, body, reference, drafted_at,"
                        + " drafted_by) values (?, ?, ?, ?, ?, ?, ?, ?) on conflict (job_id, module) do update set"
                        + " recipient = excluded.recipient, subject = excluded.subject, body = excluded.body,"
                        + " drafted_at = excluded.drafted_at, drafted_by = excluded.drafted_by"
                        + " where request_letter.sent_at is null")
                .params(
                        jobId,
                        module,
                        letter.to(),
                        letter.subject(),
                        letter.body(),
                        letter.reference(),
                        Timestamp.from(at),
                        who)
                .update();
    }

    public void sent(long letterId, Instant at, Instant due) {
        jdbc.sql("update request_letter set sent_at = ?, due_at = ? where id = ?")
                .params(Timestamp.from(at), Timestamp.from(due), letterId)
                .update();
    }

    public void arrived(long letterId, String as, Instant at) {
        jdbc.sql("update request_letter set arrived_at = ?, arrived_as = ? where id = ?")
                .params(Timestamp.from(at), as, letterId)
                .update();
    }

    @Transactional(readOnly = true)
    public List<Letter> letters(long jobId) {
        return jdbc.sql("select * from request_letter where job_id = ? order by id")
                .param(jobId)
                .query((r, n) -> new Letter(
                        r.getLong("id"),
                        r.getLong("job_id"),
                        r.getString("module"),
                        r.getString("recipient"),
                        r.getString("subject"),
                        r.getString("body"),
                        r.getString("reference"),
                        instant(r, "sent_at"),
                        instant(r, "due_at"),
                        instant(r, "arrived_at"),
                        r.getString("arrived_as")))
                .list();
    }

    private static Optional<Instant> instant(ResultSet r, String column) throws SQLException {
        return Optional.ofNullable(r.getTimestamp(column)).map(Timestamp::toInstant);
    }
}
