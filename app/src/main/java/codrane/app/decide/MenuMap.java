package codrane.app.decide;

import codrane.core.plan.Operation;
import java.sql.Timestamp;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** What each tool calls an operation and where its menus hide it: learned from the workshop's own jobs. */
@Component
@Transactional
public class MenuMap {
    private static final int MOST = 500;

    private final JdbcClient jdbc;

    MenuMap(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /**
     * @param operation kind of the operation, as in plans
     * @param module pack id; empty for the whole vehicle
     * @param tool as the workshop calls it
     * @param wording of the maker, or of the tool, for the operation
     * @param path through the tool's menus
     * @param warning what the tool warns of, or does not; may be empty
     * @param job from which it was learned
     */
    public record Entry(
            String pack,
            String operation,
            String module,
            String tool,
            String wording,
            String path,
            String warning,
            long job,
            Instant at) {
        String key() {
            return operation + (module.isEmpty() ? "" : "-" + module);
        }
    }

    /** Learns; what was learned of the same path before is replaced. */
    public void learn(Entry entry, long jobId, String who) {
        jdbc.sql("insert into menu_entry (pack, operation, module, tool, wording, path, warning, job_id, at, who)"
                        + " values (?, ?, ?, ?, ?, ?, ?, ?, ?, ?) on conflict (pack, operation, module, tool, path) do"
                        + " update set wording = excluded.wording, warning = excluded.warning, job_id ="
                        + " excluded.job_id, at = excluded.at, who = excluded.who")
                .params(
                        entry.pack(),
                        entry.operation(),
                        entry.module(),
                        entry.tool(),
                        entry.wording(),
                        entry.path(),
                        entry.warning(),
                        jobId,
                        Timestamp.from(entry.at()),
                        who)
                .update();
    }

    /** Entries from closed jobs for the operations of a plan, by key of the operation. */
    @Transactional(readOnly = true)
    public Map<String, List<Entry>> of(String pack, List<Operation> operations) {
        List<String> keys = operations.stream().map(Operation::key).toList();
        Map<String, List<Entry>> byKey = new LinkedHashMap<>();
        all(pack).stream()
                .filter(e -> keys.contains(e.key()))
                .forEach(e ->
                        byKey.computeIfAbsent(e.key(), k -> new ArrayList<>()).add(e));
        return byKey;
    }

    /** What was learned for a model; only from jobs that are closed: before that it is only what one person says. */
    @Transactional(readOnly = true)
    public List<Entry> all(String pack) {
        return entries("m.pack = ? and j.closed_at is not null", pack);
    }

    /** What was noted on a job. */
    @Transactional(readOnly = true)
    public List<Entry> ofJob(long jobId) {
        return entries("m.job_id = ?", jobId);
    }

    private List<Entry> entries(String where, Object value) {
        return jdbc.sql("select m.*, j.number from menu_entry m join job j on j.id = m.job_id where " + where
                        + " order by m.operation, m.module, m.tool, m.at desc limit " + MOST)
                .param(value)
                .query((r, n) -> new Entry(
                        r.getString("pack"),
                        r.getString("operation"),
                        r.getString("module"),
                        r.getString("tool"),
                        r.getString("wording"),
                        r.getString("path"),
                        r.getString("warning"),
                        r.getLong("number"),
                        r.getTimestamp("at").toInstant()))
                .list();
    }
}
