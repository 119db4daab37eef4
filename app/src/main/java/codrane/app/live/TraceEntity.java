package codrane.app.live;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;

/** One piece of a run's trace; what it holds lies among the files. */
@Entity
@Table(name = "run_trace")
class TraceEntity {
    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    long runId;
    Instant takenAt;
    int events;
    long dropped;
    String sha256;
}
