package codrane.app.cli;

import codrane.app.records.AuditRows;
import codrane.app.records.SecretFile;
import codrane.core.audit.AuditChain;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.util.Optional;
import picocli.CommandLine.Command;

/** {@code audit verify [--json]}. The launcher says where the database and the key are. */
@Command(name = "verify", description = "Whether the chained record of acts is whole.")
final class AuditCommand extends Asked {
    private record Told(boolean valid, long rows, String head, Optional<Long> firstBroken) {}

    @Override
    public Integer call() throws IOException {
        Path key = Path.of(environment("CODRANE_VAR"), "audit.key");
        if (!Files.exists(key))
            return output().error(
                            "io", "the key of the audit chain is missing: nothing can be verified", key.toString());
        try (Connection connection = DriverManager.getConnection(
                environment("CODRANE_DB_URL"), environment("CODRANE_DB_USER"), environment("CODRANE_DB_PASSWORD"))) {
            return tell(AuditRows.verify(connection, new AuditChain(SecretFile.of(key))));
        } catch (SQLException e) {
            return output().error("io", "the database can't be read: " + e.getMessage(), "");
        }
    }

    private int tell(AuditRows.Verified verified) {
        Told told =
                new Told(verified.firstBroken().isEmpty(), verified.rows(), verified.head(), verified.firstBroken());
        String text = verified.firstBroken()
                .map(number -> "Row " + number + " of the audit chain is not what it was when written; the "
                        + verified.rows() + " before it are.")
                .orElse("The audit chain is whole: " + verified.rows() + " rows, head " + verified.head() + ".");
        output().result("audit-verify", told, text);
        return told.valid() ? Main.GOOD : Main.FOUND;
    }

    private static String environment(String name) {
        return Optional.ofNullable(System.getenv(name))
                .orElseThrow(() ->
                        new Main.UsageException("audit verify is asked through ./codrane: " + name + " is not set"));
    }
}
