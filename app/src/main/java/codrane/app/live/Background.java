package codrane.app.live;

import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/** Asks others while pages go on: a page never waits for a maker's service. */
@Component
public class Background {
    private static final Logger LOG = LoggerFactory.getLogger(Background.class);

    private final Set<String> underWay = ConcurrentHashMap.newKeySet();

    /** Begins unless the same is under way. */
    public void begin(String what, Runnable work) {
        if (!underWay.add(what)) return;
        Thread.ofVirtual().name(what).start(() -> {
            try {
                work.run();
            } catch (RuntimeException e) {
                LOG.warn("{} failed", what, e);
            } finally {
                underWay.remove(what);
            }
        });
    }

    public boolean underWay(String what) {
        return underWay.contains(what);
    }
}
