package codrane.app.job;

import codrane.core.job.RefusedAct;
import codrane.core.plan.Stage;
import java.sql.Timestamp;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** Keeps the last refused act of each job. */
@Component
class RefusedActStore {
    private final JdbcClient jdbc;

    RefusedActStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    void put(long jobId, RefusedAct act) {
        jdbc.sql("insert into refused_act (job_id, stage, title, reason, at, who) values (?, ?, ?, ?, ?, ?)"
                        + " on conflict (job_id) do update set stage = excluded.stage, title = excluded.title,"
                        + " reason = excluded.reason, at = excluded.at, who = excluded.who")
                .params(jobId, act.stage().key(), act.title(), act.reason(), Timestamp.from(act.at()), act.who())
                .update();
    }

    void forget(long jobId) {
        jdbc.sql("delete from refused_act where job_id = ?").param(jobId).update();
    }

    Optional<RefusedAct> get(long jobId) {
        return jdbc.sql("select * from refused_act where job_id = ?")
                .param(jobId)
                .query((r, n) -> new RefusedAct(
                        Stage.of(r.getString("stage")).orElse(Stage.RUN),
                        r.getString("title"),
                        r.getString("reason"),
                        r.getTimestamp("at").toInstant(),
                        r.getString("who")))
                .optional();
    }
}
