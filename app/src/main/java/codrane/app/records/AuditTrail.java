package codrane.app.records;

import codrane.app.workshop.CodraneSettings;
import codrane.core.audit.AuditChain;
import java.io.IOException;
import java.sql.Connection;
import java.sql.Timestamp;
import java.time.Instant;
import java.time.InstantSource;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import org.springframework.jdbc.core.JdbcOperations;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Who did what, each row chained to the one before. */
@Component
public class AuditTrail {
    private static final long LOCK = 0x0C0D_0001;

    private final JdbcClient jdbc;
    private final JdbcOperations plain;
    private final InstantSource time;
    private final AuditChain chain;

    AuditTrail(JdbcClient jdbc, JdbcOperations plain, InstantSource time, CodraneSettings settings) throws IOException {
        this.jdbc = jdbc;
        this.plain = plain;
        this.time = time;
        chain = new AuditChain(SecretFile.of(settings.var().resolve("audit.key")));
    }

    /** @param subject what was acted on, for example {@code job 2201} */
    @Transactional
    public void record(String who, String act, String subject, String detail) {
        jdbc.sql("select pg_advisory_xact_lock(:lock)")
                .param("lock", LOCK)
                .query()
                .singleRow();
        Optional<AuditChain.Marked> last = newestRows(1).stream().findFirst();
        long number = last.map(row -> row.row().number() + 1).orElse(1L);
        Instant now = time.instant().truncatedTo(ChronoUnit.MICROS);
        AuditChain.Row row = new AuditChain.Row(number, now, who, act, subject, detail);
        jdbc.sql("insert into audit (number, at, who, act, subject, detail, mark) values (?, ?, ?, ?, ?, ?, ?)")
                .params(
                        number,
                        Timestamp.from(now),
                        who,
                        act,
                        subject,
                        detail,
                        chain.mark(last.map(AuditChain.Marked::mark).orElse(AuditChain.START), row))
                .update();
    }

    /** @return the number of the first row that was altered, or empty */
    @Transactional(readOnly = true)
    public Optional<Long> firstBroken() {
        return Objects.requireNonNull(plain.execute((Connection c) -> AuditRows.verify(c, chain)))
                .firstBroken();
    }

    /**
     * Acts under a number, newest first.
     *
     * @param about somebody, or what was acted on, for example {@code job 2201}; empty for all
     */
    @Transactional(readOnly = true)
    public List<AuditChain.Row> before(long number, String about, int most) {
        return Objects.requireNonNull(plain.execute((Connection c) -> AuditRows.before(c, number, about, most)))
                .stream()
                .map(AuditChain.Marked::row)
                .toList();
    }

    /** Newest first. */
    @Transactional(readOnly = true)
    public List<AuditChain.Row> newest(int most) {
        return newestRows(most).stream().map(AuditChain.Marked::row).toList();
    }

    private List<AuditChain.Marked> newestRows(int most) {
        return Objects.requireNonNull(plain.execute((Connection c) -> AuditRows.newest(c, most)));
    }
}
