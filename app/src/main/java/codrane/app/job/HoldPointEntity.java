package codrane.app.job;

import codrane.core.job.HoldNote;
import codrane.core.plan.HoldPoint;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

@Entity
@Table(name = "hold_point")
class HoldPointEntity {
    enum State {
        KEPT,
        WAIVED
    }

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    long jobId;

    @Enumerated(EnumType.STRING)
    HoldPoint point;

    @Enumerated(EnumType.STRING)
    State state;

    String who;
    Instant at;
    String why;

    @Nullable
    String about;

    HoldNote note() {
        return new HoldNote(point, state == State.WAIVED, who, at, why, Optional.ofNullable(about));
    }
}
