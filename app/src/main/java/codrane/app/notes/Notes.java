package codrane.app.notes;

import java.time.Instant;
import java.time.InstantSource;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Keeps what was noted on jobs: one note of a kind and subject, the newest in place of what was there. */
@Component
@Transactional
public class Notes {
    /** More notes of one kind are not looked at together. */
    public static final int MOST_EVERYWHERE = 200;

    private final NoteRepository notes;
    private final InstantSource time;

    Notes(NoteRepository notes, InstantSource time) {
        this.notes = notes;
        this.time = time;
    }

    public <T> void put(long jobId, NoteKind<T> kind, T content, String who) {
        put(jobId, kind, "", content, who);
    }

    public <T> void put(long jobId, NoteKind<T> kind, String subject, T content, String who) {
        put(jobId, kind, subject, content, time.instant(), who);
    }

    private <T> void put(long jobId, NoteKind<T> kind, String subject, T content, Instant at, String who) {
        NoteEntity entity =
                notes.findByJobIdAndKindAndSubject(jobId, kind.name(), subject).orElseGet(NoteEntity::new);
        entity.jobId = jobId;
        entity.kind = kind.name();
        entity.subject = subject;
        entity.version = kind.version();
        entity.content = kind.write(content);
        entity.at = at;
        entity.who = who;
        notes.save(entity);
    }

    public void forget(long jobId, NoteKind<?> kind) {
        forget(jobId, kind, "");
    }

    public void forget(long jobId, NoteKind<?> kind, String subject) {
        notes.findByJobIdAndKindAndSubject(jobId, kind.name(), subject).ifPresent(notes::delete);
    }

    /** The newest notes of a kind and subject over all jobs, by job; {@link #MOST_EVERYWHERE} at most. */
    @Transactional(readOnly = true)
    public <T> Map<Long, Note.Read<T>> everywhere(NoteKind<T> kind, String subject) {
        return notes.findTop200ByKindAndSubjectOrderByIdDesc(kind.name(), subject).stream()
                .collect(Collectors.toMap(n -> n.jobId, n -> kind.read(n.note())));
    }

    /** Those of a kind on one job, in the order in which they were first made. */
    @Transactional(readOnly = true)
    public <T> List<Note.Read<T>> of(long jobId, NoteKind<T> kind) {
        return of(List.of(jobId)).getOrDefault(jobId, List.of()).stream()
                .filter(note -> note.kind().equals(kind.name()))
                .map(kind::read)
                .toList();
    }

    @Transactional(readOnly = true)
    public Map<Long, List<Note>> of(Collection<Long> jobIds) {
        return notes.findByJobIdInOrderById(jobIds).stream()
                .collect(
                        Collectors.groupingBy(n -> n.jobId, Collectors.mapping(NoteEntity::note, Collectors.toList())));
    }
}
