package codrane.app.baseline;

import codrane.core.baseline.BaselineSummary.Origin;
import codrane.core.baseline.BaselineSummary.Purpose;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import org.jspecify.annotations.Nullable;

@Entity
@Table(name = "baseline")
class BaselineEntity {
    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    @Nullable
    Long jobId;

    long vehicleId;
    Instant takenAt;
    String takenBy;
    String sha256;
    String content;

    @Enumerated(EnumType.STRING)
    Origin origin;

    @Enumerated(EnumType.STRING)
    Purpose purpose;

    String scope;
}
