package codrane.app.live;

import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import org.postgresql.PGConnection;
import org.postgresql.PGNotification;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.jdbc.autoconfigure.JdbcConnectionDetails;
import org.springframework.context.SmartLifecycle;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.session.SessionRepository;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import tools.jackson.databind.ObjectMapper;

/**
 * Tells every browser of every node what happens: published through PostgreSQL's NOTIFY, received on a connection of its
 * own, sent on as server-sent events. What only informs never ends anything: publishing neither waits nor fails.
 */
@Component
public class LiveHub implements SmartLifecycle {
    private static final Logger LOG = LoggerFactory.getLogger(LiveHub.class);
    private static final String CHANNEL = "codrane_live";
    private static final int WAIT_MILLIS = 500;
    private static final int MOST_OCTETS = 7800;
    private static final int MOST_WAITING = 500;
    private static final Duration SESSIONS_EVERY = Duration.ofSeconds(5);
    private static final ObjectMapper JSON = new ObjectMapper();

    private final JdbcClient jdbc;
    private final JdbcConnectionDetails database;
    private final SessionRepository<?> sessions;
    private final Map<String, Set<Listener>> listeners = new ConcurrentHashMap<>();
    private final BlockingQueue<String> outgoing = new LinkedBlockingQueue<>(MOST_WAITING);
    private volatile boolean running;

    LiveHub(JdbcClient jdbc, JdbcConnectionDetails database, SessionRepository<?> sessions) {
        this.jdbc = jdbc;
        this.database = database;
        this.sessions = sessions;
    }

    /**
     * Returns at once. An event that can't be told is left out; the next one says more.
     *
     * @param topic for example {@code job-2201}
     * @param event with its {@code type}; its fields become JSON of at most 7,800 octets
     */
    public void publish(String topic, Map<String, Object> event) {
        String payload = topic + " " + event.get("type") + " " + JSON.writeValueAsString(event);
        if (payload.length() > MOST_OCTETS) {
            LOG.warn("an event of {} octets for {} was left out", payload.length(), topic);
            return;
        }
        while (!outgoing.offer(payload)) outgoing.poll(); // the oldest goes
    }

    /**
     * Sends all events of the topics until the browser goes away, or its session ends.
     *
     * @param session id of the session
     */
    public SseEmitter listen(String session, List<String> topics) {
        Listener[] self = new Listener[1];
        self[0] = new Listener(session, () -> topics.forEach(topic -> of(topic).remove(self[0])));
        for (String topic : topics) of(topic).add(self[0]);
        return self[0].emitter();
    }

    private Set<Listener> of(String topic) {
        return listeners.computeIfAbsent(topic, t -> ConcurrentHashMap.newKeySet());
    }

    @Override
    public void start() {
        running = true;
        Thread.ofPlatform().daemon().name("live-hub").start(this::receiveAll);
        Thread.ofPlatform().daemon().name("live-hub-out").start(this::publishAll);
        Thread.ofPlatform().daemon().name("live-hub-sessions").start(this::endWithSessions);
    }

    private void publishAll() {
        boolean told = false;
        while (running) {
            try {
                String payload = outgoing.poll(WAIT_MILLIS, TimeUnit.MILLISECONDS);
                if (payload == null) continue;
                jdbc.sql("select pg_notify(?, ?)")
                        .params(CHANNEL, payload)
                        .query()
                        .singleRow();
                told = false;
            } catch (RuntimeException e) {
                if (!told && running) LOG.warn("what happens can't be told to browsers: {}", e.getMessage());
                told = true;
                pause(Duration.ofMillis(WAIT_MILLIS));
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
                return;
            }
        }
    }

    private void receiveAll() {
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
                pause(Duration.ofSeconds(1));
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
        String[] parts = payload.split(" ", 3);
        if (parts.length < 3) return;
        Set<Listener> browsers = listeners.getOrDefault(parts[0], Set.of());
        browsers.forEach(browser -> browser.offer(parts[0] + " " + parts[1], parts[2]));
    }

    private void endWithSessions() {
        while (running) {
            pause(SESSIONS_EVERY);
            listeners.values().stream().flatMap(Set::stream).distinct().toList().forEach(this::endWithSession);
        }
    }

    private void endWithSession(Listener browser) {
        try {
            if (sessions.findById(browser.session()) == null) browser.end();
        } catch (RuntimeException e) {
            LOG.debug("whether a session still holds is asked again", e);
        }
    }

    private static void pause(Duration span) {
        try {
            Thread.sleep(span);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    @Override
    public void stop() {
        running = false;
        // else they delay the shutdown
        listeners.values().stream().flatMap(Set::stream).distinct().toList().forEach(Listener::end);
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
