package codrane.app.tools;

import codrane.core.plan.Operation;
import java.time.InstantSource;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** What each tool calls an operation and where its menus hide it: learned from the workshop's own jobs. */
@Component
@Transactional
public class MenuMap {
    private static final Limit MOST = Limit.of(500);

    private final MenuRepository entries;
    private final InstantSource time;

    MenuMap(MenuRepository entries, InstantSource time) {
        this.entries = entries;
        this.time = time;
    }

    /**
     * What is named.
     *
     * @param operation kind of the operation, as in plans
     * @param module pack id; empty for the whole vehicle
     */
    public record Place(String pack, String operation, String module) {}

    /**
     * How it is named.
     *
     * @param tool as the workshop calls it
     * @param wording of the maker, or of the tool, for the operation
     * @param path through the tool's menus
     * @param warning what the tool warns of, or does not; may be empty
     */
    public record Words(String tool, String wording, String path, String warning) {}

    /** @param job from which it was learned */
    public record Entry(
            String operation, String module, String tool, String wording, String path, String warning, long job) {
        /** The operation in words. */
        public String words() {
            return (operation + (module.isEmpty() ? "" : ", " + module)).replace('-', ' ');
        }

        String key() {
            return operation + (module.isEmpty() ? "" : "-" + module);
        }
    }

    /** Learns; what was learned of the same path before is replaced. */
    public void learn(Place place, Words words, long jobId, String who) {
        MenuEntity entry = entries.findByPackAndOperationAndModuleAndToolAndPath(
                        place.pack(), place.operation(), place.module(), words.tool(), words.path())
                .orElseGet(MenuEntity::new);
        entry.pack = place.pack();
        entry.operation = place.operation();
        entry.module = place.module();
        entry.tool = words.tool();
        entry.wording = words.wording();
        entry.path = words.path();
        entry.warning = words.warning();
        entry.jobId = jobId;
        entry.at = time.instant();
        entry.who = who;
        entries.save(entry);
    }

    /** Entries from closed jobs for the operations of a plan, by key of the operation. */
    @Transactional(readOnly = true)
    public Map<String, List<Entry>> of(String pack, List<Operation> operations) {
        List<String> keys = operations.stream().map(Operation::key).toList();
        Map<String, List<Entry>> byKey = new LinkedHashMap<>();
        entries.ofPack(pack, MOST).stream()
                .filter(e -> keys.contains(e.key()))
                .forEach(e ->
                        byKey.computeIfAbsent(e.key(), k -> new ArrayList<>()).add(e));
        return byKey;
    }

    /** What was learned for a model; only from jobs that are closed: before that it is only what one person says. */
    @Transactional(readOnly = true)
    public List<Entry> all(String pack) {
        return entries.ofPack(pack, MOST);
    }

    /** What was noted on a job. */
    @Transactional(readOnly = true)
    public List<Entry> ofJob(long jobId) {
        return entries.ofJob(jobId, MOST);
    }
}
