package codrane.app.live;

import java.io.IOException;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/**
 * One browser that listens. Events wait for it apart from all others, the newest of each kind in place of the one before,
 * and a thread of its own sends them: one that stops reading hurts nobody, and nothing grows.
 */
final class Listener {
    private static final int MOST_KINDS = 40;
    private static final long ALIVE_MILLIS = 2000;
    private static final String ALIVE = "{\"type\":\"alive\"}";

    private final SseEmitter emitter = new SseEmitter(0L);
    private final String session;
    private final Runnable gone;
    private final Map<String, String> waiting = new LinkedHashMap<>();
    private boolean closed;

    /**
     * @param session in which it listens
     * @param gone told once, when it does no longer
     */
    Listener(String session, Runnable gone) {
        this.session = session;
        this.gone = gone;
        emitter.onCompletion(this::close);
        emitter.onError(e -> close());
        Thread.ofVirtual().name("listener").start(this::send);
    }

    SseEmitter emitter() {
        return emitter;
    }

    String session() {
        return session;
    }

    /** @param kind of event: the newest of a kind says all there is to say */
    synchronized void offer(String kind, String data) {
        if (closed) return;
        waiting.remove(kind);
        if (waiting.size() >= MOST_KINDS) return;
        waiting.put(kind, data);
        notifyAll();
    }

    private void send() {
        try {
            for (String data = next(); data != null; data = next())
                emitter.send(SseEmitter.event().data(data));
        } catch (IOException | RuntimeException e) {
            // it is gone; the web server ends its request by itself
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
        close();
    }

    /** When nothing is told, it is told that there is nothing: a page that hears no more knows that it shows what was. */
    private synchronized @org.jspecify.annotations.Nullable String next() throws InterruptedException {
        long end = System.nanoTime() + TimeUnit.MILLISECONDS.toNanos(ALIVE_MILLIS);
        while (waiting.isEmpty() && !closed) {
            long left = TimeUnit.NANOSECONDS.toMillis(end - System.nanoTime());
            if (left <= 0) return ALIVE;
            wait(left);
        }
        if (closed) return null;
        var first = waiting.entrySet().iterator();
        String data = first.next().getValue();
        first.remove();
        return data;
    }

    private synchronized void close() {
        if (closed) return;
        closed = true;
        waiting.clear();
        notifyAll();
        gone.run();
    }

    /** Ends the stream. */
    void end() {
        close();
        emitter.complete();
    }
}
