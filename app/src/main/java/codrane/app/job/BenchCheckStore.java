package codrane.app.job;

import codrane.core.job.BenchCheck;
import java.sql.Timestamp;
import java.util.Arrays;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** Keeps the newest bench check of each job. */
@Component
class BenchCheckStore {
    private final JdbcClient jdbc;

    BenchCheckStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    void put(long jobId, BenchCheck check) {
        jdbc.sql("insert into bench_check (job_id, interface, module, volts, at, who) values (?, ?, ?, ?, ?, ?)"
                        + " on conflict (job_id) do update set interface = excluded.interface, module = excluded.module,"
                        + " volts = excluded.volts, at = excluded.at, who = excluded.who")
                .params(Arrays.asList(
                        jobId,
                        check.interfaceName(),
                        check.module(),
                        check.volts().orElse(null),
                        Timestamp.from(check.at()),
                        check.who()))
                .update();
    }

    void forget(long jobId) {
        jdbc.sql("delete from bench_check where job_id = ?").param(jobId).update();
    }

    Optional<BenchCheck> get(long jobId) {
        return jdbc.sql("select * from bench_check where job_id = ?")
                .param(jobId)
                .query((r, n) -> new BenchCheck(
                        r.getString("interface"),
                        r.getString("module"),
                        Optional.ofNullable(r.getObject("volts", Double.class)),
                        r.getTimestamp("at").toInstant(),
                        r.getString("who")))
                .optional();
    }
}
