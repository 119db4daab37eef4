package codrane.app.stage.prepare;

import codrane.core.ready.Letter;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

@Entity
@Table(name = "request_letter")
class LetterEntity {
    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    long jobId;
    String module;
    String recipient;
    String subject;
    String body;
    String reference;
    Instant draftedAt;
    String draftedBy;

    @Nullable
    Instant sentAt;

    @Nullable
    Instant dueAt;

    @Nullable
    Instant lostAt;

    @Nullable
    Instant arrivedAt;

    String arrivedAs = "";

    Letter letter() {
        return new Letter(
                id,
                module,
                new Letter.Text(recipient, subject, body, reference),
                Optional.ofNullable(sentAt),
                Optional.ofNullable(dueAt),
                Optional.ofNullable(lostAt),
                Optional.ofNullable(arrivedAt),
                arrivedAs);
    }
}
