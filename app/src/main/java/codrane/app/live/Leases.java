package codrane.app.live;

import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** Who may write through an interface: one node at a time, by the database's clock, with a growing fence. */
@Component
class Leases {
    private static final String SPAN = "interval '10 seconds'";

    private final JdbcClient jdbc;
    private final Node node;

    Leases(JdbcClient jdbc, Node node) {
        this.jdbc = jdbc;
        this.node = node;
    }

    /** This node no longer holds the interface: it must not send. */
    static final class LeaseLostException extends RuntimeException {
        LeaseLostException(String name) {
            super("the lease of " + name + " was lost");
        }
    }

    /** @return the fence, or empty when another node holds the interface */
    Optional<Long> take(String name) {
        return jdbc.sql(
                        "insert into lease (interface, node, fence, until) values (:name, :node, 1, clock_timestamp() + "
                                + SPAN + ")"
                                + " on conflict (interface) do update set node = excluded.node, fence = lease.fence + 1, until = excluded.until"
                                + " where lease.until < clock_timestamp() or lease.node = excluded.node returning fence")
                .param("name", name)
                .param("node", node.id())
                .query(Long.class)
                .optional();
    }

    /** @throws LeaseLostException when it ended or was taken */
    void renew(String name, long fence) {
        int rows = jdbc.sql("update lease set until = clock_timestamp() + " + SPAN
                        + " where interface = ? and node = ? and fence = ? and until > clock_timestamp()")
                .params(name, node.id(), fence)
                .update();
        if (rows == 0) throw new LeaseLostException(name);
    }

    void release(String name, long fence) {
        jdbc.sql("update lease set until = clock_timestamp() where interface = ? and node = ? and fence = ?")
                .params(name, node.id(), fence)
                .update();
    }
}
