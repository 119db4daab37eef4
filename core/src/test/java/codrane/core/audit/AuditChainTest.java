package codrane.core.audit;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.audit.AuditChain.Marked;
import codrane.core.audit.AuditChain.Row;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

class AuditChainTest {
    private final AuditChain chain = new AuditChain(new byte[32]);

    private List<Marked> rows() {
        List<Marked> rows = new ArrayList<>();
        String mark = AuditChain.START;
        for (int i = 1; i <= 5; i++) {
            Row row = new Row(i, Instant.parse("2026-03-01T10:00:00.123456789Z"), "tech", "kept", "job 1", "plan " + i);
            mark = chain.mark(mark, row);
            rows.add(new Marked(row, mark));
        }
        return rows;
    }

    @Test
    void firstBroken_untouched_isEmpty() {
        assertThat(chain.firstBroken(rows())).isEmpty();
    }

    @Test
    void firstBroken_editedRow_isNamed() {
        List<Marked> rows = rows();
        Row row = rows.get(2).row();
        rows.set(
                2,
                new Marked(
                        new Row(3, row.at(), "lead", row.act(), row.subject(), row.detail()),
                        rows.get(2).mark()));
        assertThat(chain.firstBroken(rows)).contains(3L);
    }

    @Test
    void firstBroken_removedRow_isNamed() {
        List<Marked> rows = rows();
        rows.remove(1);
        assertThat(chain.firstBroken(rows)).contains(2L);
    }

    @Test
    void text_movedBoundary_isAnotherText() {
        Instant at = Instant.EPOCH;
        assertThat(new Row(1, at, "ab", "c", "", "").text()).isNotEqualTo(new Row(1, at, "a", "bc", "", "").text());
    }
}
