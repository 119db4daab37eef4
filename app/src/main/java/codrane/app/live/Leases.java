package codrane.app.live;

import codrane.link.run.LeaseLostException;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** Who may write through an interface: one run at a time, by the database's clock, with a growing fence. */
@Component
class Leases {
    private static final String SPAN = "interval '10 seconds'";

    private final JdbcClient jdbc;
    private final Node node;

    Leases(JdbcClient jdbc, Node node) {
        this.jdbc = jdbc;
        this.node = node;
    }

    /**
     * Takes the interface for a run: when nobody holds it, or when this run does, which is recovered.
     *
     * @return the fence, or empty when another run holds the interface
     */
    Optional<Long> take(String name, long runId) {
        return jdbc.sql("insert into lease (interface, node, fence, until, run_id)"
                        + " values (:name, :node, 1, clock_timestamp() + " + SPAN + ", :run)"
                        + " on conflict (interface) do update set node = excluded.node, fence = lease.fence + 1,"
                        + " until = excluded.until, run_id = excluded.run_id"
                        + " where lease.until < clock_timestamp() or lease.run_id = excluded.run_id returning fence")
                .param("name", name)
                .param("node", node.id())
                .param("run", runId)
                .query(Long.class)
                .optional();
    }

    /** The number of the job whose run holds the interface now. */
    Optional<Long> holder(String name) {
        return jdbc.sql("select j.number from lease l join run r on r.id = l.run_id join job j on j.id = r.job_id"
                        + " where l.interface = ? and l.until > clock_timestamp()")
                .param(name)
                .query(Long.class)
                .optional();
    }

    /**
     * Prolongs it, also when it ended meanwhile: as long as nobody took it or called the run interrupted, it is this run's.
     *
     * @throws LeaseLostException when it was taken, or the run was ended by somebody else
     */
    void renew(String name, long runId, long fence) {
        int rows = jdbc.sql(
                        "update lease set until = clock_timestamp() + " + SPAN
                                + " where interface = ? and run_id = ? and fence = ?"
                                + " and exists (select 1 from run r where r.id = lease.run_id and r.fence = lease.fence and r.state = 'RUNNING')")
                .params(name, runId, fence)
                .update();
        if (rows == 0) throw new LeaseLostException(name);
    }

    void release(String name, long runId, long fence) {
        jdbc.sql("update lease set until = clock_timestamp() where interface = ? and run_id = ? and fence = ?")
                .params(name, runId, fence)
                .update();
    }

    /** Why an interface can't be taken now, as a sentence. */
    String inUse(String bench) {
        return holder(bench)
                .map(job -> "Not started. " + bench + " is being used by the run of job " + job
                        + ": wait until that has ended. Nothing was written now.")
                .orElse(
                        "Not started. " + bench
                                + " is still held by a run that has just ended: try again in some seconds. Nothing was written now.");
    }
}
