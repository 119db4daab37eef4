package codrane.app.records;

import codrane.app.CodraneSettings;
import codrane.core.audit.AuditChain;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.PosixFilePermissions;
import java.security.SecureRandom;
import java.sql.Timestamp;
import java.time.Instant;
import java.time.InstantSource;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Who did what, each row chained to the one before. */
@Component
public class AuditTrail {
    private static final int KEY_OCTETS = 32;
    private static final long LOCK = 0x0C0D_0001;

    private final JdbcClient jdbc;
    private final InstantSource time;
    private final AuditChain chain;

    AuditTrail(JdbcClient jdbc, InstantSource time, CodraneSettings settings) throws IOException {
        this.jdbc = jdbc;
        this.time = time;
        chain = new AuditChain(key(settings.var().resolve("audit.key")));
    }

    private static byte[] key(Path file) throws IOException {
        if (!Files.exists(file)) {
            byte[] key = new byte[KEY_OCTETS];
            new SecureRandom().nextBytes(key);
            Files.createDirectories(file.toAbsolutePath().getParent());
            Files.createFile(file, PosixFilePermissions.asFileAttribute(PosixFilePermissions.fromString("rw-------")));
            Files.write(file, key, StandardOpenOption.TRUNCATE_EXISTING);
        }
        return Files.readAllBytes(file);
    }

    /** @param subject what was acted on, for example {@code job 2201} */
    @Transactional
    public void record(String who, String act, String subject, String detail) {
        jdbc.sql("select pg_advisory_xact_lock(:lock)")
                .param("lock", LOCK)
                .query()
                .singleRow();
        Optional<AuditChain.Marked> last =
                rows("order by number desc limit 1").stream().findFirst();
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
        return chain.firstBroken(rows("order by number"));
    }

    /** Newest first. */
    @Transactional(readOnly = true)
    public List<AuditChain.Row> newest(int most) {
        return rows("order by number desc limit " + most).stream()
                .map(AuditChain.Marked::row)
                .toList();
    }

    private List<AuditChain.Marked> rows(String rest) {
        return jdbc.sql("select number, at, who, act, subject, detail, mark from audit " + rest)
                .query((r, n) -> new AuditChain.Marked(
                        new AuditChain.Row(
                                r.getLong("number"),
                                r.getTimestamp("at").toInstant(),
                                r.getString("who"),
                                r.getString("act"),
                                r.getString("subject"),
                                r.getString("detail")),
                        r.getString("mark")))
                .list();
    }
}
