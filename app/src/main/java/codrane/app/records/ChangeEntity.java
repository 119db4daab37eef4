package codrane.app.records;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import org.jspecify.annotations.Nullable;

/** What was changed in a vehicle, with what was there before. */
@Entity
@Table(name = "change_ledger")
class ChangeEntity {
    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    long vehicleId;
    long jobId;
    long runId;

    @Nullable
    Integer task;

    Instant at;
    String who;
    String module;
    String what;

    @Nullable
    Integer dataIdentifier;

    String before;
    String after;
    String software;
}
