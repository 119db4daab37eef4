package codrane.app.live;

import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/** Asks others while pages go on: a page never waits for a maker's service. */
@Component
public class Background {
    private static final Logger LOG = LoggerFactory.getLogger(Background.class);

    /** What is under way, and whether it is wanted once more. */
    private final Map<String, Boolean> underWay = new ConcurrentHashMap<>();

    /** Begins unless the same is under way. */
    public void begin(String what, Runnable work) {
        if (underWay.putIfAbsent(what, false) == null) start(what, work);
    }

    /** Begins, after what is under way of the same: its answer may be older than who asks now. */
    public void beginAnew(String what, Runnable work) {
        if (!underWay.merge(what, false, (before, now) -> true)) start(what, work);
    }

    private void start(String what, Runnable work) {
        Thread.ofVirtual().name(what).start(() -> {
            do {
                tried(what, work);
            } while (underWay.computeIfPresent(what, (w, again) -> again ? false : null) != null);
        });
    }

    private static void tried(String what, Runnable work) {
        try {
            work.run();
        } catch (RuntimeException e) {
            LOG.warn("{} failed", what, e);
        }
    }

    public boolean underWay(String what) {
        return underWay.containsKey(what);
    }
}
