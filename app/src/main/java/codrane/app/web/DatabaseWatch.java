package codrane.app.web;

import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Duration;
import java.util.Properties;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.jdbc.autoconfigure.JdbcConnectionDetails;
import org.springframework.context.SmartLifecycle;
import org.springframework.stereotype.Component;

/** Knows within two seconds that the database does not answer: asked twice a second, over a connection of its own. */
@Component
class DatabaseWatch implements SmartLifecycle {
    private static final Logger LOG = LoggerFactory.getLogger(DatabaseWatch.class);
    private static final Duration EVERY = Duration.ofMillis(500);
    private static final Duration PATIENCE = Duration.ofSeconds(2);
    private static final String PATIENCE_SECONDS = "2";

    private final JdbcConnectionDetails database;
    private volatile boolean running;
    private volatile boolean refused;
    private volatile long askedNanos;
    private volatile boolean waiting;

    DatabaseWatch(JdbcConnectionDetails database) {
        this.database = database;
    }

    /** Whether it answered when it was asked last. */
    boolean answers() {
        boolean late = waiting && System.nanoTime() - askedNanos > PATIENCE.toNanos();
        return !refused && !late;
    }

    @Override
    public void start() {
        running = true;
        Thread.ofPlatform().daemon().name("database-watch").start(this::watch);
    }

    private void watch() {
        while (running) {
            ask();
            waiting = false;
            pause();
        }
    }

    /** Until it fails: one connection is asked again and again. */
    private void ask() {
        askedNanos = System.nanoTime();
        waiting = true;
        try (Connection connection = DriverManager.getConnection(database.getJdbcUrl(), properties());
                Statement statement = connection.createStatement()) {
            while (running) {
                askedNanos = System.nanoTime();
                waiting = true;
                statement.execute("select 1");
                waiting = false;
                if (refused) LOG.warn("The database answers again.");
                refused = false;
                pause();
            }
        } catch (SQLException e) {
            if (!refused && running) LOG.warn("The database does not answer: {}", e.getMessage());
            refused = true;
        }
    }

    private Properties properties() {
        Properties properties = new Properties();
        properties.setProperty("user", database.getUsername());
        properties.setProperty("password", database.getPassword());
        properties.setProperty("loginTimeout", PATIENCE_SECONDS);
        properties.setProperty("connectTimeout", PATIENCE_SECONDS);
        properties.setProperty("socketTimeout", PATIENCE_SECONDS);
        return properties;
    }

    private static void pause() {
        try {
            Thread.sleep(EVERY);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    @Override
    public void stop() {
        running = false;
    }

    @Override
    public boolean isRunning() {
        return running;
    }
}
