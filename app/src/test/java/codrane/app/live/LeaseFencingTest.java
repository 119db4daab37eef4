package codrane.app.live;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertThrows;

import codrane.app.TestApp;
import codrane.app.live.Leases.LeaseLostException;
import org.junit.jupiter.api.Test;
import org.springframework.jdbc.core.simple.JdbcClient;

/** A lease that was taken again, taken by another node, or ended, lets its old owner send nothing more. */
class LeaseFencingTest {
    private final Leases leases = TestApp.bean(Leases.class);
    private final JdbcClient jdbc = TestApp.bean(JdbcClient.class);

    @Test
    void renew_withAnOldFence_isLost() {
        long first = leases.take("fence-a").orElseThrow();
        long second = leases.take("fence-a").orElseThrow();
        assertThat(second).isGreaterThan(first);
        leases.renew("fence-a", second);
        assertThrows(LeaseLostException.class, () -> leases.renew("fence-a", first));
    }

    @Test
    void take_heldByAnotherNode_isRefusedUntilItEnds() {
        long mine = leases.take("fence-b").orElseThrow();
        jdbc.sql("update lease set node = 'other', fence = fence + 1 where interface = 'fence-b'")
                .update();
        assertThrows(LeaseLostException.class, () -> leases.renew("fence-b", mine));
        assertThat(leases.take("fence-b")).isEmpty();
        jdbc.sql("update lease set until = clock_timestamp() - interval '1 second' where interface = 'fence-b'")
                .update();
        assertThat(leases.take("fence-b"))
                .hasValueSatisfying(fence -> assertThat(fence).isGreaterThan(mine + 1));
    }

    @Test
    void renew_afterItsEnd_isLostEvenWhenNobodyTookIt() {
        long mine = leases.take("fence-c").orElseThrow();
        leases.release("fence-c", mine);
        assertThrows(LeaseLostException.class, () -> leases.renew("fence-c", mine));
    }
}
