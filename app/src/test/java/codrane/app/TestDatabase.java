package codrane.app;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.List;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.atomic.AtomicInteger;

/** The private test cluster, started by the launcher; each test class that wants one gets a database of its own. */
final class TestDatabase {
    /** Process numbers come again after a restart of the machine. */
    private static final String RUN = Long.toString(System.currentTimeMillis(), 36)
            + ProcessHandle.current().pid();

    private static final AtomicInteger COUNT = new AtomicInteger();
    private static final List<Runnable> USERS = new CopyOnWriteArrayList<>();
    private static final List<String> CLUSTER = cluster();

    record Database(String url, String user, String password) {}

    private TestDatabase() {}

    private static List<String> cluster() {
        List<String> lines = launcher("testdb");
        if (lines.size() < 3) throw new IllegalStateException("the test database did not start: " + lines);
        Runtime.getRuntime().addShutdownHook(new Thread(() -> {
            USERS.forEach(Runnable::run);
            if (System.getenv("CODRANE_TEST_DB_KEPT") == null) launcher("testdb-stop");
        }));
        return lines;
    }

    private static List<String> launcher(String command) {
        try {
            Process process = new ProcessBuilder(
                            TestWorld.ROOT.resolve("codrane").toString(), command)
                    .redirectError(ProcessBuilder.Redirect.INHERIT)
                    .start();
            return new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8)
                    .lines()
                    .toList();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** What must be closed before the cluster stops. */
    static void closeFirst(Runnable user) {
        USERS.add(user);
    }

    /** A new, empty database. */
    static Database fresh() {
        String name = "test_" + RUN + "_" + COUNT.incrementAndGet();
        try (Connection connection =
                        DriverManager.getConnection(CLUSTER.get(0) + "postgres", CLUSTER.get(1), CLUSTER.get(2));
                Statement statement = connection.createStatement()) {
            statement.execute("do $$ begin create role codrane_app login nosuperuser password 'only-in-tests';"
                    + " exception when duplicate_object or unique_violation then null; end $$");
            statement.execute("create database " + name + " owner codrane_app");
        } catch (SQLException e) {
            throw new IllegalStateException(e);
        }
        return new Database(CLUSTER.get(0) + name, "codrane_app", "only-in-tests"); // no superuser, as in earnest
    }
}
