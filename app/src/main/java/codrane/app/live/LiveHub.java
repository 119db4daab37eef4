package codrane.app.live;

import java.io.IOException;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.CopyOnWriteArraySet;
import org.postgresql.PGConnection;
import org.postgresql.PGNotification;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.jdbc.autoconfigure.JdbcConnectionDetails;
import org.springframework.context.SmartLifecycle;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import tools.jackson.databind.ObjectMapper;

/**
 * Tells every browser of every node what happens: published through PostgreSQL's NOTIFY, received on a connection of its
 * own, sent on as server-sent events.
 */
@Component
public class LiveHub implements SmartLifecycle {
    private static final Logger LOG = LoggerFactory.getLogger(LiveHub.class);
    private static final String CHANNEL = "codrane_live";
    private static final int WAIT_MILLIS = 500;
    private static final int MOST_OCTETS = 7800;
    private static final ObjectMapper JSON = new ObjectMapper();

    private final JdbcClient jdbc;
    private final JdbcConnectionDetails database;
    private final Map<String, Set<SseEmitter>> listeners = new ConcurrentHashMap<>();
    private volatile boolean running;

    LiveHub(JdbcClient jdbc, JdbcConnectionDetails database) {
        this.jdbc = jdbc;
        this.database = database;
    }

    /** @param topic for example {@code job-2201}; the event's fields become JSON of at most 7,800 octets */
    public void publish(String topic, Map<String, Object> event) {
        String payload = topic + " " + JSON.writeValueAsString(event);
        if (payload.length() > MOST_OCTETS)
            throw new IllegalArgumentException("event: " + payload.length() + " octets");
        jdbc.sql("select pg_notify(?, ?)").params(CHANNEL, payload).query().singleRow();
    }

    /** Sends all events of the topics until the browser goes away. */
    public SseEmitter listen(String... topics) {
        SseEmitter emitter = new SseEmitter(0L);
        for (String topic : topics) {
            Set<SseEmitter> set = listeners.computeIfAbsent(topic, t -> new CopyOnWriteArraySet<>());
            set.add(emitter);
            emitter.onCompletion(() -> set.remove(emitter));
            emitter.onError(e -> set.remove(emitter));
        }
        return emitter;
    }

    @Override
    public void start() {
        running = true;
        Thread.ofPlatform().daemon().name("live-hub").start(this::loop);
    }

    private void loop() {
        while (running) {
            try (Connection connection = java.sql.DriverManager.getConnection(
                    database.getJdbcUrl(), database.getUsername(), database.getPassword())) {
                try (Statement statement = connection.createStatement()) {
                    statement.execute("listen " + CHANNEL);
                }
                receive(connection.unwrap(PGConnection.class));
            } catch (SQLException e) {
                if (running)
                    LOG.warn("The live connection to the database was lost and is opened again: {}", e.getMessage());
                pause();
            }
        }
    }

    private void receive(PGConnection connection) throws SQLException {
        while (running) {
            PGNotification[] notifications = connection.getNotifications(WAIT_MILLIS);
            if (notifications == null) continue;
            for (PGNotification notification : notifications) dispatch(notification.getParameter());
        }
    }

    private void dispatch(String payload) {
        int blank = payload.indexOf(' ');
        if (blank < 0) return;
        Set<SseEmitter> browsers = listeners.getOrDefault(payload.substring(0, blank), new CopyOnWriteArraySet<>());
        browsers.removeIf(browser -> !reached(browser, payload.substring(blank + 1)));
    }

    private static boolean reached(SseEmitter browser, String data) {
        try {
            browser.send(SseEmitter.event().data(data));
            return true;
        } catch (IOException | RuntimeException e) {
            return false; // it is gone; the web server ends its request by itself
        }
    }

    private static void pause() {
        try {
            Thread.sleep(1000);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    @Override
    public void stop() {
        running = false;
        listeners.values().forEach(set -> set.forEach(SseEmitter::complete)); // else they delay the shutdown
        listeners.clear();
    }

    @Override
    public boolean isRunning() {
        return running;
    }

    @Override
    public int getPhase() {
        return Integer.MAX_VALUE; // stopped before the web server waits for its requests
    }
}
