package codrane.app.job;

import codrane.app.notes.Note;
import codrane.app.notes.NoteKind;
import codrane.core.job.Job;
import codrane.core.job.Now;
import codrane.core.pack.Pack;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;

/** Jobs whose state is gathered, with their packs and all notes of them. */
public record Gathering(List<Asked> jobs, Map<Long, List<Note>> notes, Now now) {
    public record Asked(Job job, Pack pack) {}

    public List<Long> ids() {
        return jobs.stream().map(a -> a.job().id()).toList();
    }

    /** Makes a part for each job. */
    public <P> Map<Long, P> each(Function<Asked, P> part) {
        Map<Long, P> parts = new HashMap<>();
        for (Asked asked : jobs) parts.put(asked.job().id(), part.apply(asked));
        return parts;
    }

    /** The one note of its kind on a job. */
    public <T> Optional<Note.Read<T>> note(Job job, NoteKind<T> kind) {
        return notes(job, kind).stream().findFirst();
    }

    public <T> List<Note.Read<T>> notes(Job job, NoteKind<T> kind) {
        return notes.getOrDefault(job.id(), List.of()).stream()
                .filter(n -> n.kind().equals(kind.name()))
                .map(kind::read)
                .toList();
    }
}
