package codrane.app.live;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.app.Until;
import java.util.List;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.CountDownLatch;
import org.junit.jupiter.api.Test;

class BackgroundTest {
    private final Background background = new Background();
    private final List<String> done = new CopyOnWriteArrayList<>();
    private final CountDownLatch answer = new CountDownLatch(1);

    @Test
    void begin_sameUnderWay_isNotBegunTwice() {
        background.begin("ask", () -> waitsAndSays("first"));
        background.begin("ask", () -> done.add("second"));
        ended();
        assertThat(done).containsExactly("first");
    }

    @Test
    void beginAnew_sameUnderWay_isDoneOnceMoreAfterIt() {
        background.beginAnew("ask", () -> waitsAndSays("asked"));
        background.beginAnew("ask", () -> done.add("never: the same work is done again"));
        background.beginAnew("ask", () -> done.add("never: the same work is done again"));
        ended();
        assertThat(done).containsExactly("asked", "asked");
    }

    @Test
    void begin_failed_canBeBegunAgain() {
        background.begin("ask", () -> {
            throw new IllegalStateException("out of order");
        });
        Until.so(() -> !background.underWay("ask"));
        background.begin("ask", () -> done.add("again"));
        Until.so(() -> done.contains("again"));
    }

    private void waitsAndSays(String word) {
        try {
            answer.await();
        } catch (InterruptedException e) {
            throw new IllegalStateException(e);
        }
        done.add(word);
    }

    private void ended() {
        answer.countDown();
        Until.so(() -> !background.underWay("ask"));
    }
}
