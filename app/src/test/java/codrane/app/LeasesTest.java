package codrane.app;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.app.RunningApp.App;
import java.time.Duration;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.jdbc.core.simple.JdbcClient;

/** Leases with fencing, on the real database: what other nodes see of an interface. */
@ExtendWith(RunningApp.class)
class LeasesTest {
    @Test
    void run_interfaceHeldByAnotherNode_isFoundInterruptedOnlyWhenThatLeaseEnds(App app) throws InterruptedException {
        JdbcClient jdbc = app.bean(JdbcClient.class);
        long job = jdbc.sql("select id from job order by id limit 1")
                .query(Long.class)
                .single();
        jdbc.sql(
                        "insert into scan (job_id, taken_at, taken_by, readings) values (?, now() - interval '1 day', 'x', '[]')")
                .param(job)
                .update();
        long scan = jdbc.sql("select max(id) from scan").query(Long.class).single();
        jdbc.sql(
                        "insert into plan (job_id, version, scan_id, made_at, made_by, content) values (?, 900, ?, now(), 'x', '{}')")
                .params(job, scan)
                .update();
        jdbc.sql(
                        "insert into lease (interface, node, fence, until) values ('Far', 'other-node', 7, clock_timestamp() + interval '3 seconds')")
                .update();
        jdbc.sql(
                        "insert into run (job_id, plan_id, state, node, interface, fence, task_index, task_count, task_title, committed, block, blocks,"
                                + " confirmed_bytes, started_at, started_by, sentence, next_step)"
                                + " select ?, max(id), 'RUNNING', 'other-node', 'Far', 7, 0, 1, 'Program', true, 5, 9, 0, now() - interval '1 day', 'x', '', '' from plan")
                .param(job)
                .update();
        String state = "select state from run where interface = 'Far'";
        // the watch looks every two seconds, and gives the lease its grace
        Until.stays(
                Duration.ofMillis(2200),
                () -> jdbc.sql(state).query(String.class).single().equals("RUNNING"));
        Until.so(() -> jdbc.sql(state).query(String.class).single().equals("INTERRUPTED"));
        assertThat(jdbc.sql("select sentence from run where interface = 'Far'")
                        .query(String.class)
                        .single())
                .contains("fell silent during “Program”");
        jdbc.sql("delete from run where interface = 'Far'").update();
        jdbc.sql("delete from plan where version = 900").update();
        jdbc.sql("delete from scan where id = ?").param(scan).update();
    }
}
