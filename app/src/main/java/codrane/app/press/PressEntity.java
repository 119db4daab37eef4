package codrane.app.press;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import org.jspecify.annotations.Nullable;

/** A form that was pressed, by its one-use key. */
@Entity
@Table(name = "press")
class PressEntity {
    @Id
    String key;

    @Nullable
    Long jobId;

    String what;
    String who;
    Instant at;
}
