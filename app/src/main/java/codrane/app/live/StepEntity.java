package codrane.app.live;

import codrane.core.run.StepTime;
import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.Optional;
import org.hibernate.annotations.Immutable;
import org.jspecify.annotations.Nullable;

/** A step of the journal as far as its times go; it is written by {@link RunStore} alone. */
@Entity
@Immutable
@Table(name = "journal")
class StepEntity {
    @Id
    Long id;

    long runId;

    @Nullable
    Integer task;

    int number;

    @Column(name = "at")
    Instant sentAt;

    String purpose;

    @Nullable
    Instant closedAt;

    StepTime told() {
        return new StepTime(runId, task == null ? -1 : task, purpose, sentAt, Optional.ofNullable(closedAt));
    }
}
