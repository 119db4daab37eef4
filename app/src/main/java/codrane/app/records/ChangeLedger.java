package codrane.app.records;

import codrane.core.run.TaskChanges;
import java.time.Instant;
import java.util.List;
import java.util.Set;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** What Codrane changed in a vehicle, with what was there before: the undo set. */
@Component
public class ChangeLedger {
    /** More of a vehicle are not looked at. */
    public static final int MOST_OF_VEHICLE = 200;

    private static final Limit MOST = Limit.of(MOST_OF_VEHICLE);
    private static final Limit MOST_PROGRAMMED = Limit.of(100);

    private final ChangeRepository changes;

    ChangeLedger(ChangeRepository changes) {
        this.changes = changes;
    }

    /**
     * Where and by whom a change was made.
     *
     * @param task index of the run's task, from 0
     */
    public record Origin(long vehicleId, long jobId, long runId, int task, String who) {}

    /**
     * @param dataIdentifier null when software was changed
     * @param before hex, or a software version; empty when it was not known
     * @param software that the module had when it was written, by which the octets are read; empty when it told none
     */
    public record Change(
            Instant at,
            String module,
            String what,
            @org.jspecify.annotations.Nullable Integer dataIdentifier,
            String before,
            String after,
            String software) {
        public static Change of(Instant at, TaskChanges.Change made) {
            return new Change(
                    at,
                    made.module(),
                    made.what(),
                    made.dataIdentifier().orElse(null),
                    made.before(),
                    made.after(),
                    made.software());
        }
    }

    /** A change, with who made it in which job. */
    public record Made(Change change, String who, long jobId) {}

    /** Adds the change unless the run's task stands there already: one thread writes for a run. */
    @Transactional
    public void add(Origin origin, Change change) {
        if (changes.existsByRunIdAndTask(origin.runId(), origin.task())) return;
        ChangeEntity entity = new ChangeEntity();
        entity.vehicleId = origin.vehicleId();
        entity.jobId = origin.jobId();
        entity.runId = origin.runId();
        entity.task = origin.task();
        entity.at = change.at();
        entity.who = origin.who();
        entity.module = change.module();
        entity.what = change.what();
        entity.dataIdentifier = change.dataIdentifier();
        entity.before = change.before();
        entity.after = change.after();
        entity.software = change.software();
        changes.save(entity);
    }

    /** Oldest first. */
    @Transactional(readOnly = true)
    public List<Made> ofJob(long jobId) {
        return records(changes.findByJobIdOrderById(jobId));
    }

    /** Newest first, at most 200. */
    @Transactional(readOnly = true)
    public List<Made> ofVehicle(long vehicleId) {
        return records(changes.findByVehicleIdOrderByAtDesc(vehicleId, MOST));
    }

    /** A programming that was read back. */
    public record Programmed(long run, int task, String module) {}

    /** Programmings of modules of a model in runs before that one, the newest first, at most 100. */
    @Transactional(readOnly = true)
    public List<Programmed> programmed(String pack, Set<String> modules, long before) {
        return changes.programmed(pack, modules, before, MOST_PROGRAMMED).stream()
                .map(c -> new Programmed(c.runId, java.util.Objects.requireNonNull(c.task), c.module))
                .toList();
    }

    private static List<Made> records(List<ChangeEntity> found) {
        return found.stream()
                .map(c -> new Made(
                        new Change(c.at, c.module, c.what, c.dataIdentifier, c.before, c.after, c.software),
                        c.who,
                        c.jobId))
                .toList();
    }
}
