package codrane.app.shelf;

import jakarta.persistence.Entity;
import jakarta.persistence.FetchType;
import jakarta.persistence.Id;
import jakarta.persistence.ManyToOne;
import jakarta.persistence.Table;
import java.time.Instant;

/** The calibration that a job has at hand. */
@Entity
@Table(name = "prepared_calibration")
class PreparedEntity {
    @Id
    Long jobId;

    @ManyToOne(fetch = FetchType.LAZY, optional = false)
    CalibrationEntity calibration;

    Instant at;
    String who;
}
