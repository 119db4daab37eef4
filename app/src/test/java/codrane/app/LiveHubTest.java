package codrane.app;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.app.RunningApp.App;
import codrane.app.live.LiveHub;
import java.io.BufferedReader;
import java.io.InputStreamReader;
import java.net.InetAddress;
import java.net.Socket;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** Events go on for everyone when one browser goes away in the middle. */
@ExtendWith(RunningApp.class)
class LiveHubTest {
    private static Socket listen(App app, String cookie) throws Exception {
        Socket socket = new Socket(
                InetAddress.getLoopbackAddress(), URI.create(app.url()).getPort());
        socket.setSoTimeout(10_000);
        String request = "GET /jobs/2201/events HTTP/1.1\r\nHost: localhost\r\nAccept: text/event-stream\r\nCookie: "
                + cookie + "\r\n\r\n";
        socket.getOutputStream().write(request.getBytes(StandardCharsets.US_ASCII));
        return socket;
    }

    private static void awaitLine(Socket socket, String part) throws Exception {
        BufferedReader in = new BufferedReader(new InputStreamReader(socket.getInputStream(), StandardCharsets.UTF_8));
        for (String line = in.readLine(); line != null; line = in.readLine()) {
            if (line.contains(part)) return;
        }
        throw new AssertionError("the stream ended before " + part);
    }

    @Test
    void publish_afterBrowsersWentAway_stillReachesTheOthers(App app) throws Exception {
        String cookie = WebSession.signIn(app.url(), "lead").cookie();
        LiveHub hub = app.bean(LiveHub.class);
        try (Socket stays = listen(app, cookie)) {
            awaitLine(stays, "vitals");
            for (int i = 0; i < 5; i++) {
                Socket goes = listen(app, cookie);
                awaitLine(goes, "vitals");
                goes.setSoLinger(true, 0); // a reset, as when a laptop is shut
                goes.close();
                for (int n = 0; n < 5; n++) hub.publish("job-2201", Map.of("type", "task", "label", "n" + n));
            }
            hub.publish("job-2201", Map.of("type", "task", "label", "after all that"));
            awaitLine(stays, "after all that");
            assertThat(Thread.getAllStackTraces().keySet())
                    .anyMatch(t -> t.getName().equals("live-hub"));
        }
    }

    /** One browser stops reading while much is told: the others hear within moments, and nothing is held for it. */
    @Test
    void publish_oneBrowserStopsReading_othersHearAtOnce(App app) throws Exception {
        String cookie = WebSession.signIn(app.url(), "lead").cookie();
        LiveHub hub = app.bean(LiveHub.class);
        try (Socket stuck = listen(app, cookie);
                Socket reads = listen(app, cookie)) {
            awaitLine(stuck, "vitals");
            awaitLine(reads, "vitals");
            String much = "x".repeat(7000);
            for (int i = 0; i < 3000; i++) {
                hub.publish("job-2201", Map.of("type", "task", "label", much + i));
                if (i % 50 == 0) awaitLine(reads, "x" + i + "\""); // slowly enough that some of it is really sent
            }
            long before = System.nanoTime();
            hub.publish("job-2201", Map.of("type", "run", "label", "and this"));
            awaitLine(reads, "and this");
            assertThat(System.nanoTime() - before).isLessThan(5_000_000_000L);
        }
    }

    /** Whoever signs out, or is signed out, hears no more. */
    @Test
    void stream_whoseSessionEnded_ends(App app) throws Exception {
        WebSession session = WebSession.signIn(app.url(), "trainee");
        try (Socket socket = listen(app, session.cookie())) {
            awaitLine(socket, "vitals");
            socket.setSoTimeout(20_000);
            session.post("/logout");
            BufferedReader in =
                    new BufferedReader(new InputStreamReader(socket.getInputStream(), StandardCharsets.UTF_8));
            String line = in.readLine();
            while (line != null && !line.equals("0")) line = in.readLine(); // the last chunk of the answer
            assertThat(line).isIn("0", null);
        }
    }

    @Test
    void publish_tooLongOrNotToBeTold_neverThrows(App app) {
        LiveHub hub = app.bean(LiveHub.class);
        hub.publish("job-2201", Map.of("type", "task", "label", "x".repeat(9000)));
        for (int i = 0; i < 5000; i++) hub.publish("job-2201", Map.of("type", "task", "label", "n" + i));
    }
}
