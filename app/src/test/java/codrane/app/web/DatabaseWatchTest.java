package codrane.app.web;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import codrane.app.Until;
import jakarta.servlet.FilterChain;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.time.Duration;
import org.junit.jupiter.api.Test;
import org.springframework.boot.jdbc.autoconfigure.JdbcConnectionDetails;
import org.springframework.mock.web.MockFilterChain;
import org.springframework.mock.web.MockHttpServletRequest;
import org.springframework.mock.web.MockHttpServletResponse;

/** A database that is gone, and one that accepts and says nothing: both are known within three seconds, and said at once. */
class DatabaseWatchTest {
    private static JdbcConnectionDetails at(int port) {
        JdbcConnectionDetails details = mock(JdbcConnectionDetails.class);
        when(details.getJdbcUrl()).thenReturn("jdbc:postgresql://127.0.0.1:" + port + "/x");
        when(details.getUsername()).thenReturn("x");
        when(details.getPassword()).thenReturn("x");
        return details;
    }

    private static boolean noticed(DatabaseWatch watch) throws InterruptedException {
        long before = System.nanoTime();
        watch.start();
        try {
            Until.so(() -> !watch.answers());
            return Duration.ofNanos(System.nanoTime() - before).compareTo(Duration.ofSeconds(3)) <= 0;
        } finally {
            watch.stop();
        }
    }

    @Test
    void answers_nobodyListens_isFalseSoon() throws Exception {
        int port;
        try (ServerSocket free = new ServerSocket(0, 1, InetAddress.getLoopbackAddress())) {
            port = free.getLocalPort();
        }
        assertThat(noticed(new DatabaseWatch(at(port)))).isTrue();
    }

    @Test
    void answers_silentDatabase_isFalseWithinThreeSeconds() throws Exception {
        try (ServerSocket silent = new ServerSocket(0, 5, InetAddress.getLoopbackAddress())) {
            assertThat(noticed(new DatabaseWatch(at(silent.getLocalPort())))).isTrue();
        }
    }

    @Test
    void filter_databaseAway_answersWithoutItAndLetsFilesPass() throws Exception {
        DatabaseWatch watch = mock(DatabaseWatch.class);
        when(watch.answers()).thenReturn(false);
        DatabaseAwayFilter filter = new DatabaseAwayFilter(watch);
        MockHttpServletResponse response = new MockHttpServletResponse();
        FilterChain chain = (request, answer) -> {
            throw new AssertionError("nothing behind may be asked");
        };
        filter.doFilter(new MockHttpServletRequest("POST", "/jobs/2201/run"), response, chain);
        assertThat(response.getStatus()).isEqualTo(503);
        assertThat(response.getContentAsString()).contains("The database does not answer", "was not done");
        MockFilterChain passes = new MockFilterChain();
        filter.doFilter(new MockHttpServletRequest("GET", "/css/codrane.css"), new MockHttpServletResponse(), passes);
        assertThat(passes.getRequest()).isNotNull();
    }
}
