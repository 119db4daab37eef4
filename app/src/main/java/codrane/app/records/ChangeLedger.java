package codrane.app.records;

import java.sql.Timestamp;
import java.time.Instant;
import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** What Codrane changed in a vehicle, with what was there before: the undo set. */
@Component
public class ChangeLedger {
    private final JdbcClient jdbc;

    ChangeLedger(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /**
     * Where and by whom a change was made.
     *
     * @param task index of the run's task, from 0
     */
    public record Origin(long vehicleId, long jobId, long runId, int task, String who) {}

    /**
     * @param dataIdentifier null when software was changed
     * @param before hex, or a software version; empty when it was not known
     */
    public record Change(
            Instant at,
            String module,
            String what,
            @org.jspecify.annotations.Nullable Integer dataIdentifier,
            String before,
            String after) {}

    /** Adds the change unless the run's task stands there already. */
    public void add(Origin origin, Change change) {
        jdbc.sql(
                        "insert into change_ledger (vehicle_id, job_id, run_id, task, at, who, module, what, data_identifier, before, after)"
                                + " values (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?) on conflict (run_id, task) do nothing")
                .params(java.util.Arrays.asList(
                        origin.vehicleId(),
                        origin.jobId(),
                        origin.runId(),
                        origin.task(),
                        Timestamp.from(change.at()),
                        origin.who(),
                        change.module(),
                        change.what(),
                        change.dataIdentifier(),
                        change.before(),
                        change.after()))
                .update();
    }

    /** Oldest first. */
    public List<Change> ofJob(long jobId) {
        return changes("where job_id = ? order by id", jobId);
    }

    /** Newest first, at most 200. */
    public List<Change> ofVehicle(long vehicleId) {
        return changes("where vehicle_id = ? order by at desc limit 200", vehicleId);
    }

    private List<Change> changes(String rest, long id) {
        return jdbc.sql("select at, module, what, data_identifier, before, after from change_ledger " + rest)
                .param(id)
                .query((r, n) -> new Change(
                        r.getTimestamp("at").toInstant(),
                        r.getString("module"),
                        r.getString("what"),
                        r.getObject("data_identifier", Integer.class),
                        r.getString("before"),
                        r.getString("after")))
                .list();
    }
}
