package codrane.app.job.jpa;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;

/** Another vehicle that answered for a job. */
@Entity
@Table(name = "stranger")
class StrangerEntity {
    @Id
    Long jobId;

    String vin;
    String sentence;
    Instant at;
    String who;
}
