package codrane.app.live;

import codrane.core.job.Job;
import codrane.core.job.JobRun;
import codrane.core.run.RunState;
import codrane.core.vin.Vin;
import codrane.link.run.LeaseLostException;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Instant;
import java.time.InstantSource;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** Runs and their journal, in plain SQL: each call is a transaction of its own, committed before the wire is touched. */
@Component
public class RunStore {
    private final JdbcClient jdbc;
    private final Node node;
    private final InstantSource time;

    RunStore(JdbcClient jdbc, Node node, InstantSource time) {
        this.jdbc = jdbc;
        this.node = node;
        this.time = time;
    }

    /** What came back for a step that was sent. */
    public enum Answer {
        OPEN,
        POSITIVE,
        REFUSED,
        SILENT,
        /** The run was lost before it came. */
        UNKNOWN
    }

    /** A step of a run as it was journalled. */
    public record JournalRow(
            int number,
            Instant at,
            String purpose,
            String module,
            String request,
            boolean writes,
            Answer state,
            Optional<String> answer) {}

    /**
     * Adds a run that has not begun yet.
     *
     * @return its id; empty when the plan has a run already
     */
    Optional<Long> add(RunOrder order) {
        RunOrder.Subject subject = order.subject();
        return jdbc.sql(
                        "insert into run (job_id, plan_id, carries_out, state, node, interface, fence, task_index, task_count, task_title,"
                                + " committed, block, blocks, confirmed_bytes, started_at, started_by, sentence, next_step)"
                                + " values (?, ?, ?, 'RUNNING', ?, ?, 0, 0, ?, ?, false, 0, 0, 0, ?, ?, '', '')"
                                + " on conflict (carries_out) do nothing returning id")
                .params(
                        subject.jobId(),
                        subject.planId(),
                        subject.planId(),
                        node.id(),
                        order.bench().name(),
                        order.tasks().size(),
                        order.tasks().getFirst().title(),
                        now(),
                        subject.who())
                .query(Long.class)
                .optional();
    }

    /** Takes back a run that could not begin. */
    void drop(long runId) {
        jdbc.sql("delete from run where id = ? and fence = 0").param(runId).update();
    }

    /** The run goes on, or begins, under a new fence; what became of its open steps is unknown. */
    void begin(long runId, long fence) {
        jdbc.sql(
                        "update run set state = 'RUNNING', node = ?, fence = ?, ended_at = null, sentence = '', next_step = '' where id = ?")
                .params(node.id(), fence, runId)
                .update();
        jdbc.sql("update journal set state = 'UNKNOWN', closed_at = ? where run_id = ? and state = 'OPEN'")
                .params(now(), runId)
                .update();
    }

    /** @throws LeaseLostException when the run is no longer the claim's: what another does with it is not overwritten */
    void progress(Claim claim, RunState state) {
        if (state.finished()) return;
        int rows = jdbc.sql(
                        "update run set task_index = ?, task_title = ?, committed = ?, block = ?, blocks = ?, confirmed_bytes = ?"
                                + " where id = ? and fence = ? and state = 'RUNNING'")
                .params(
                        state.index(),
                        state.task().title(),
                        state.committed(),
                        state.blockSent(),
                        state.blocks(),
                        state.confirmedBytes(),
                        claim.runId(),
                        claim.fence())
                .update();
        if (rows == 0) throw new LeaseLostException("run " + claim.runId());
    }

    /** @param fence of the run's own lease: a run that lost it says nothing any more */
    void end(long runId, long fence, JobRun.State state, String sentence, String nextStep) {
        jdbc.sql(
                        "update run set state = ?, ended_at = ?, sentence = ?, next_step = ? where id = ? and fence = ? and state = 'RUNNING'")
                .params(state.name(), now(), sentence, nextStep, runId, fence)
                .update();
    }

    /** A step that is about to be sent, of the run's task with that index. */
    record Opened(int task, String purpose, String module, String request, boolean writes) {}

    /**
     * Opens a step.
     *
     * @return the row's id
     * @throws LeaseLostException as {@link #progress}
     */
    long journal(Claim claim, Opened step) {
        return jdbc.sql("insert into journal (run_id, task, number, at, purpose, module, request, writes, state)"
                        + " select r.id, ?, (select coalesce(max(j.number), 0) + 1 from journal j where j.run_id = r.id), ?, ?, ?, ?, ?, 'OPEN'"
                        + " from run r where r.id = ? and r.fence = ? and r.state = 'RUNNING' returning id")
                .params(
                        step.task(),
                        now(),
                        step.purpose(),
                        step.module(),
                        step.request(),
                        step.writes(),
                        claim.runId(),
                        claim.fence())
                .query(Long.class)
                .optional()
                .orElseThrow(() -> new LeaseLostException("run " + claim.runId()));
    }

    void close(long rowId, Answer state, String answer) {
        jdbc.sql("update journal set state = ?, answer = ?, closed_at = ? where id = ?")
                .params(state.name(), answer, now(), rowId)
                .update();
    }

    /** Whether something that changes the module was sent, or about to be, for a task. */
    boolean wrote(long runId, int task) {
        return jdbc.sql("select exists (select 1 from journal where run_id = ? and task = ? and writes)")
                .params(runId, task)
                .query(Boolean.class)
                .single();
    }

    /** The newest run of each job. */
    public Map<Long, JobRun> latest(Collection<Long> jobIds) {
        if (jobIds.isEmpty()) return Map.of();
        Map<Long, JobRun> latest = new HashMap<>();
        jdbc.sql("select distinct on (job_id) * from run where job_id = any(?) order by job_id, started_at desc")
                .param(jobIds.toArray(Long[]::new))
                .query((r, n) -> Map.entry(r.getLong("job_id"), record(r)))
                .list()
                .forEach(e -> latest.put(e.getKey(), e.getValue()));
        return latest;
    }

    public boolean belongs(long runId, long jobId) {
        return jdbc.sql("select exists (select 1 from run where id = ? and job_id = ?)")
                .params(runId, jobId)
                .query(Boolean.class)
                .single();
    }

    /** The run that carries a plan out, if there is one. */
    public Optional<JobRun> ofPlan(long planId) {
        return jdbc.sql("select * from run where plan_id = ? order by started_at desc limit 1")
                .param(planId)
                .query((r, n) -> record(r))
                .optional();
    }

    /**
     * A run as it stands in the list of all.
     *
     * @param job number of its job
     * @param kept what is kept of it besides
     */
    public record Listed(JobRun run, long job, Job.Vehicle vehicle, Kept kept) {}

    /**
     * What is kept of a run besides its journal.
     *
     * @param trace id of the newest piece of what was on the wire; empty when none is kept
     * @param millivolts the lowest of its supply; empty when that is not known
     */
    public record Kept(Optional<Long> trace, Optional<Integer> millivolts) {}

    /** Runs of all jobs under an id, the newest first. */
    public List<Listed> before(long id, int most) {
        return jdbc.sql("select run.*, job.number, job.vehicle_id, vehicle.vin, vehicle.pack, vehicle.model,"
                        + " (select max(t.id) from run_trace t where t.run_id = run.id) as trace,"
                        + " (select min(v) from run_supply s, unnest(s.millivolts) v where s.run_id = run.id and v >= 0) as lowest"
                        + " from run join job on job.id = run.job_id join vehicle on vehicle.id = job.vehicle_id"
                        + " where run.id < ? order by run.id desc limit ?")
                .params(id, most)
                .query((r, n) -> new Listed(
                        record(r),
                        r.getLong("number"),
                        new Job.Vehicle(
                                r.getLong("vehicle_id"),
                                new Vin(r.getString("vin")),
                                r.getString("pack"),
                                r.getString("model")),
                        new Kept(
                                Optional.ofNullable(r.getObject("trace", Long.class)),
                                Optional.ofNullable(r.getObject("lowest", Integer.class)))))
                .list();
    }

    /** Newest first. */
    public List<JournalRow> journal(long runId, int most) {
        return jdbc.sql("select * from journal where run_id = ? order by number desc limit ?")
                .params(runId, most)
                .query((r, n) -> new JournalRow(
                        r.getInt("number"),
                        r.getTimestamp("at").toInstant(),
                        r.getString("purpose"),
                        r.getString("module"),
                        r.getString("request"),
                        r.getBoolean("writes"),
                        Answer.valueOf(r.getString("state")),
                        Optional.ofNullable(r.getString("answer"))))
                .list();
    }

    /** Runs of this node that have no thread: the process that carried them out is gone. */
    int markStopped(Set<Long> active) {
        return mark("Codrane was stopped", "run.node = :node and not (id = any(:active))", active);
    }

    /** Runs of nodes whose lease ended a while ago: for long enough that they would have renewed it. */
    int markAbandoned(Set<Long> active) {
        return mark(
                "The computer that carried it out fell silent",
                "run.node <> :node and not (id = any(:active)) and not exists (select 1 from lease l"
                        + " where l.interface = run.interface and l.fence = run.fence and l.until > clock_timestamp() - interval '6 seconds')",
                active);
    }

    private int mark(String what, String which, Set<Long> active) {
        return jdbc.sql("update run set state = 'INTERRUPTED', ended_at = :now,"
                        + " sentence = :what || case when committed then ' during “' || task_title || '”.'"
                        + " else ' before the run had ended.' end,"
                        + " next_step = 'Keep the power on, then recover the run.'"
                        + " where state = 'RUNNING' and " + which)
                .param("now", now())
                .param("what", what)
                .param("active", active.toArray(Long[]::new))
                .param("node", node.id())
                .update();
    }

    private Timestamp now() {
        return Timestamp.from(time.instant());
    }

    private static JobRun record(ResultSet r) throws SQLException {
        return new JobRun(
                r.getLong("id"),
                r.getLong("plan_id"),
                JobRun.State.valueOf(r.getString("state")),
                new JobRun.Place(
                        r.getInt("task_index"),
                        r.getInt("task_count"),
                        r.getString("task_title"),
                        r.getBoolean("committed"),
                        r.getInt("block"),
                        r.getInt("blocks"),
                        r.getLong("confirmed_bytes")),
                new JobRun.Span(
                        r.getTimestamp("started_at").toInstant(),
                        r.getString("started_by"),
                        Optional.ofNullable(r.getTimestamp("ended_at")).map(Timestamp::toInstant)),
                r.getString("sentence"),
                r.getString("next_step"));
    }
}
