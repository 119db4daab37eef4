package codrane.app.parts;

import codrane.app.notes.NoteKind;
import codrane.core.job.PartState;
import java.time.Instant;
import java.util.List;

/**
 * An old module with what became of it, as it is stored with the job in which it came out.
 *
 * @param job number of the one in which it came out
 * @param vin of the vehicle out of which it came
 * @param steps the oldest first
 */
record PartStored(long job, String pack, String module, String title, String vin, String serial, List<Step> steps) {
    static final NoteKind<PartStored> KIND = NoteKind.first("old-part", PartStored.class);

    /** @param detail where it lies, whom it was sent to, or into which job it went */
    record Step(PartState state, String detail, String who, Instant at) {}

    Step last() {
        return steps.getLast();
    }

    PartStored with(Step step) {
        List<Step> all = new java.util.ArrayList<>(steps);
        all.add(step);
        return new PartStored(job, pack, module, title, vin, serial, all);
    }
}
