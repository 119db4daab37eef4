package codrane.app.job;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;

/** What a second person points at in a job. */
@Entity
@Table(name = "job_pointer")
class PointerEntity {
    @Id
    Long jobId;

    String who;
    String spot;
    String note;
    Instant at;
}
