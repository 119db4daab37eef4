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
import java.util.Map;
import java.util.Optional;

/** {@code audit verify [--json]}. The launcher says where the database and the key are. */
final class AuditCommand {
    private AuditCommand() {}

    static int verify(Arguments arguments, Output output) throws IOException {
        arguments.take(2);
        arguments.end();
        Path key = Path.of(environment("CODRANE_VAR"), "audit.key");
        if (!Files.exists(key))
            return output.error("io", "the key of the audit chain is missing: nothing can be verified", key.toString());
        try (Connection connection = DriverManager.getConnection(
                environment("CODRANE_DB_URL"), environment("CODRANE_DB_USER"), environment("CODRANE_DB_PASSWORD"))) {
            return tell(AuditRows.verify(connection, new AuditChain(SecretFile.of(key))), output);
        } catch (SQLException e) {
            return output.error("io", "the database can't be read: " + e.getMessage(), "");
        }
    }

    private static int tell(AuditRows.Verified verified, Output output) {
        Map<String, Object> object = Output.object("audit-verify");
        object.put("valid", verified.firstBroken().isEmpty());
        object.put("rows", verified.rows());
        object.put("head", verified.head());
        verified.firstBroken().ifPresent(number -> object.put("firstBroken", number));
        String text = verified.firstBroken()
                .map(number -> "Row " + number + " of the audit chain is not what it was when written; the "
                        + verified.rows() + " before it are.")
                .orElse("The audit chain is whole: " + verified.rows() + " rows, head " + verified.head() + ".");
        output.result(object, text);
        return verified.firstBroken().isEmpty() ? Main.GOOD : Main.FOUND;
    }

    private static String environment(String name) {
        return Optional.ofNullable(System.getenv(name))
                .orElseThrow(() ->
                        new Main.UsageException("audit verify is asked through ./codrane: " + name + " is not set"));
    }
}
