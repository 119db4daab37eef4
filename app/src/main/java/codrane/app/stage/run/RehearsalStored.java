package codrane.app.stage.run;

import codrane.app.notes.Note;
import codrane.app.notes.NoteKind;
import codrane.app.notes.Notes;
import codrane.core.job.JobState;
import java.util.List;
import java.util.Optional;

/**
 * How a plan went on the twin, as it is stored.
 *
 * @param planId that was rehearsed
 * @param well whether it came to its end
 * @param tasks titles of those that were begun, with their simulated seconds
 * @param left titles of what was left out
 * @param changes in words, block by block
 */
record RehearsalStored(
        long planId,
        boolean well,
        String sentence,
        String nextStep,
        List<String> prompts,
        List<Task> tasks,
        List<String> left,
        List<String> changes) {
    static final NoteKind<RehearsalStored> KIND = NoteKind.first("rehearsal", RehearsalStored.class);

    record Task(String title, double seconds) {}

    /** Of the plan as it is now; empty when it was not rehearsed, or another one was. */
    static Optional<Note.Read<RehearsalStored>> of(JobState state, Notes notes) {
        return notes.of(state.job().id(), KIND).stream()
                .filter(note ->
                        state.plan().map(p -> p.id() == note.content().planId()).orElse(false))
                .findFirst();
    }

    double seconds() {
        return tasks.stream().mapToDouble(Task::seconds).sum();
    }
}
