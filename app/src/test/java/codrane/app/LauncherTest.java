package codrane.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The launcher where something is in its way: a clear sentence, an exit code, nothing lost. */
class LauncherTest {
    @TempDir
    Path var;

    private record Ended(int code, String text) {}

    @BeforeEach
    void letTheDatabaseUserIn() throws IOException {
        Files.setPosixFilePermissions(var, PosixFilePermissions.fromString("rwxr-xr-x"));
    }

    private Ended launch(Map<String, String> environment, String... arguments) throws Exception {
        ProcessBuilder builder =
                new ProcessBuilder(TestWorld.ROOT.resolve("codrane").toString());
        builder.command().addAll(java.util.List.of(arguments));
        builder.environment().put("CODRANE_VAR", var.toString());
        builder.environment().putAll(environment);
        Process process = builder.redirectErrorStream(true).start();
        String text = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        return new Ended(process.waitFor(), text);
    }

    @Test
    void testdb_portTaken_saysSo() throws Exception {
        try (ServerSocket taken = new ServerSocket(0, 1, InetAddress.getLoopbackAddress())) {
            Ended ended = launch(Map.of("CODRANE_TEST_DB_PORT", String.valueOf(taken.getLocalPort())), "testdb");
            assertThat(ended.code()).isEqualTo(4);
            assertThat(ended.text()).contains("port " + taken.getLocalPort() + " is taken by another program");
        }
    }

    @Test
    void testdb_halfMadeCluster_isNamedAndNotTouched() throws Exception {
        Path half = Files.createDirectories(var.resolve("pg-test/base"));
        Ended ended = launch(Map.of(), "testdb");
        assertThat(ended.code()).isEqualTo(6);
        assertThat(ended.text()).contains("is not a whole database. Nothing was deleted: move it away");
        assertThat(half).exists();
    }

    @Test
    void unknownCommand_isUsage() throws Exception {
        Ended ended = launch(Map.of(), "dance");
        assertThat(ended.code()).isEqualTo(2);
        assertThat(ended.text()).contains("./codrane demo");
    }

    @Test
    void doctor_tellsEachNeedInALine() throws Exception {
        assertThat(launch(Map.of(), "doctor").text())
                .contains("JDK 21 or newer", "PostgreSQL 15", "Maven", "Chromium, for tests", "free for");
    }

    @Test
    void status_nothingRuns_isOne() throws Exception {
        Ended ended = launch(Map.of("CODRANE_DB_PORT", "1"), "status");
        assertThat(ended.code()).isEqualTo(1);
        assertThat(ended.text()).contains("app does not run", "database does not run");
    }

    /** It must work when nothing else does: no room on the disk, no Java, no PostgreSQL, nothing there. */
    @Test
    void stop_nothingThere_isGoodAndNeedsNothing() throws Exception {
        Ended ended =
                launch(Map.of("CODRANE_VAR", var.resolve("not/there").toString(), "JAVA_HOME", "/nowhere"), "stop");
        assertThat(ended.code()).isZero();
        assertThat(ended.text()).contains("Stopped.");
    }

    @Test
    void audit_noDatabaseYet_saysSo() throws Exception {
        Ended ended = launch(Map.of("CODRANE_DB_PORT", "1"), "audit", "verify");
        assertThat(ended.code()).isEqualTo(2);
        assertThat(ended.text()).contains("there is no database yet");
    }
}
