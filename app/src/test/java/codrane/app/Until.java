package codrane.app;

import static org.awaitility.Awaitility.await;

import java.time.Duration;
import java.util.concurrent.Callable;

/** Waits until something is so, and fails when it never is. */
public final class Until {
    private static final Duration LONGEST = Duration.ofSeconds(150);
    private static final Duration LOOK = Duration.ofMillis(50);

    private Until() {}

    public static void so(Callable<Boolean> condition) {
        so("it is so", condition);
    }

    /** It is so, and stays so all the while. */
    public static void stays(Duration span, Callable<Boolean> condition) {
        Duration look = span.dividedBy(20);
        await("it stays so")
                .during(span)
                .atMost(span.plusSeconds(1).plus(look))
                .pollDelay(Duration.ZERO)
                .pollInterval(look)
                .until(condition);
    }

    /** Nothing is expected meanwhile: the moment itself is the case. */
    public static void later(Duration span) {
        await("later").pollDelay(span).atMost(span.plusSeconds(5)).until(() -> true);
    }

    /** @param what is waited for, in the words of a failure */
    public static void so(String what, Callable<Boolean> condition) {
        await(what).atMost(LONGEST).pollDelay(Duration.ZERO).pollInterval(LOOK).until(condition);
    }
}
