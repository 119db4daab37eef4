package codrane.app.live;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertThrows;

import codrane.app.TestApp;
import codrane.app.packs.PackShelf;
import codrane.core.pack.Pack;
import codrane.core.run.RunState;
import codrane.core.run.RunTask;
import codrane.link.run.LeaseLostException;
import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.springframework.jdbc.core.simple.JdbcClient;

/** A lease that was taken again, taken by another node, or ended, lets its old owner send nothing more. */
class LeaseFencingTest {
    private final Leases leases = TestApp.bean(Leases.class);
    private final JdbcClient jdbc = TestApp.bean(JdbcClient.class);

    /** A run that is under way under this fence, so that its lease can be renewed. */
    private long run(String name) {
        long job = jdbc.sql("select min(id) from job").query(Long.class).single();
        jdbc.sql("insert into scan (job_id, taken_at, taken_by, readings) values (?, now(), 'x', '[]')")
                .param(job)
                .update();
        jdbc.sql(
                        "insert into plan (job_id, version, scan_id, made_at, made_by, content)"
                                + " select ?, 7000 + coalesce(max(p.id), 0), (select max(id) from scan), now(), 'x', '{}' from plan p")
                .param(job)
                .update();
        return jdbc.sql(
                        "insert into run (job_id, plan_id, state, node, interface, fence, task_index, task_count, task_title,"
                                + " committed, block, blocks, confirmed_bytes, started_at, started_by, sentence, next_step)"
                                + " select ?, max(id), 'STOPPED', 'fence-test', ?, 0, 0, 1, 'x', false, 0, 0, 0, now(), 'x', '', '' from plan returning id")
                .params(job, name)
                .query(Long.class)
                .single();
    }

    private long take(String name, long run) {
        long fence = leases.take(name, run).orElseThrow();
        // only now: a run that goes on without a lease is called interrupted by whoever looks after runs
        jdbc.sql("update run set fence = ?, state = 'RUNNING' where id = ?")
                .params(fence, run)
                .update();
        return fence;
    }

    @AfterEach
    void forget() {
        jdbc.sql("delete from run where node = 'fence-test'").update();
        jdbc.sql("delete from plan where version >= 7000").update();
        jdbc.sql("delete from scan where taken_by = 'x'").update();
    }

    @Test
    void take_twoRunsOfOneNode_theSecondIsRefused() {
        long first = run("fence-a");
        long fence = take("fence-a", first);
        assertThat(leases.take("fence-a", run("fence-a"))).isEmpty();
        leases.renew("fence-a", first, fence);
    }

    @Test
    void renew_withAnOldFence_isLost() {
        long run = run("fence-b");
        long first = take("fence-b", run);
        long second = take("fence-b", run); // recovered
        assertThat(second).isGreaterThan(first);
        leases.renew("fence-b", run, second);
        assertThrows(LeaseLostException.class, () -> leases.renew("fence-b", run, first));
    }

    @Test
    void renew_afterItsEnd_holdsUntilAnotherRunTookIt() {
        long mine = run("fence-c");
        long fence = take("fence-c", mine);
        leases.release("fence-c", mine, fence);
        leases.renew("fence-c", mine, fence);
        leases.release("fence-c", mine, fence);
        long other = run("fence-c");
        assertThat(take("fence-c", other)).isGreaterThan(fence);
        assertThrows(LeaseLostException.class, () -> leases.renew("fence-c", mine, fence));
    }

    @Test
    void renew_runCalledInterruptedMeanwhile_isLost() {
        long mine = run("fence-d");
        long fence = take("fence-d", mine);
        jdbc.sql("update run set state = 'INTERRUPTED' where id = ?")
                .param(mine)
                .update();
        assertThrows(LeaseLostException.class, () -> leases.renew("fence-d", mine, fence));
    }

    /** It was overtaken while it stood still: neither where the run is nor a step is overwritten by what it knew. */
    @Test
    void writtenDown_withAnOldFence_isRefused() {
        RunStore store = TestApp.bean(RunStore.class);
        long run = run("fence-e");
        Claim overtaken = new Claim(run, take("fence-e", run));
        Claim now = new Claim(run, take("fence-e", run));
        List<RunTask> tasks = tasks();
        RunStore.Opened step = new RunStore.Opened(0, "Write", "body", "2EF190", true);
        store.progress(now, RunState.goOn(tasks, 1));
        assertThrows(LeaseLostException.class, () -> store.progress(overtaken, RunState.begin(tasks)));
        assertThrows(LeaseLostException.class, () -> store.journal(overtaken, step));
        assertThat(jdbc.sql("select task_index from run where id = ?")
                        .param(run)
                        .query(Integer.class)
                        .single())
                .isEqualTo(1);
        assertThat(store.journal(run, 9)).isEmpty();
        store.journal(now, step);
        assertThat(store.journal(run, 9)).hasSize(1);
        jdbc.sql("delete from journal where run_id = ?").param(run).update();
    }

    private static List<RunTask> tasks() {
        Pack pack = TestApp.bean(PackShelf.class).get("brennick-lorne");
        RunTask.Restart restart = new RunTask.Restart(pack.module("body"), "Restart the body");
        return List.of(restart, restart);
    }
}
