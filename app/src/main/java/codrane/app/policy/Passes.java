package codrane.app.policy;

import java.time.Instant;
import java.time.InstantSource;
import java.util.Map;
import java.util.TreeMap;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** The workshop's passes to makers' services. */
@Component
@Transactional
public class Passes {
    private final PassRepository passes;
    private final InstantSource time;

    Passes(PassRepository passes, InstantSource time) {
        this.passes = passes;
        this.time = time;
    }

    public void note(String service, Instant until, String who) {
        PassEntity entity = passes.findById(service).orElseGet(PassEntity::new);
        entity.service = service;
        entity.until = until;
        entity.at = time.instant();
        entity.who = who;
        passes.save(entity);
    }

    /** Until when a pass runs, by the maker's service. */
    @Transactional(readOnly = true)
    public Map<String, Instant> all() {
        Map<String, Instant> all = new TreeMap<>();
        passes.findAll().forEach(p -> all.put(p.service, p.until));
        return all;
    }
}
