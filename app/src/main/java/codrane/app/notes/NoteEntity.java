package codrane.app.notes;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;

@Entity
@Table(name = "job_note")
class NoteEntity {
    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    long jobId;
    String kind;
    String subject;
    int version;
    String content;
    Instant at;
    String who;

    Note note() {
        return new Note(kind, subject, version, content, at, who);
    }
}
