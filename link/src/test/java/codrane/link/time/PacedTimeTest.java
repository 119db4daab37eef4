package codrane.link.time;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertThrows;

import java.time.Duration;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import org.junit.jupiter.api.Test;

class PacedTimeTest {
    @Test
    void after_tasks_runInTheOrderOfTheirTimeAndCancelledOnesNot() {
        try (PacedTime time = new PacedTime("test")) {
            List<String> ran = Collections.synchronizedList(new ArrayList<>());
            CompletableFuture<String> done = new CompletableFuture<>();
            time.after(Duration.ofMillis(60), () -> done.complete("end"));
            time.after(Duration.ofMillis(30), () -> ran.add("second"));
            time.after(Duration.ofMillis(10), () -> ran.add("first"));
            time.after(Duration.ofMillis(20), () -> ran.add("never")).cancel();
            assertThat(time.await(done)).isEqualTo("end");
            assertThat(ran).containsExactly("first", "second");
        }
    }

    @Test
    void now_withinAChainOfTasks_doesNotDrift() {
        try (PacedTime time = new PacedTime("test")) {
            CompletableFuture<Long> span = new CompletableFuture<>();
            time.execute(() -> chain(time, time.now(), 200, span));
            assertThat(time.await(span)).isEqualTo(200 * 230_000L);
        }
    }

    private static void chain(PacedTime time, long start, int left, CompletableFuture<Long> span) {
        if (left == 0) span.complete(time.now() - start);
        else time.after(Duration.ofNanos(230_000), () -> chain(time, start, left - 1, span));
    }

    @Test
    void await_onItsOwnThread_isRefusedInsteadOfHanging() {
        try (PacedTime time = new PacedTime("test")) {
            CompletableFuture<String> outer = new CompletableFuture<>();
            time.execute(() -> {
                try {
                    time.await(new CompletableFuture<String>());
                } catch (IllegalStateException e) {
                    outer.complete(e.getMessage());
                }
            });
            assertThat(time.await(outer)).contains("can't wait on its own scheduler");
        }
    }

    @Test
    void virtual_await_nothingLeft_saysSo() {
        assertThrows(IllegalStateException.class, () -> new VirtualTime().await(new CompletableFuture<String>()));
        CompletableFuture<String> failed = CompletableFuture.failedFuture(new IllegalArgumentException("x"));
        assertThrows(CompletionException.class, () -> new VirtualTime().await(failed));
    }
}
