package codrane.app.job;

import codrane.core.job.Job;
import codrane.core.plan.JobKind;
import codrane.core.plan.PartOrigin;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.FetchType;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.ManyToOne;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

@Entity
@Table(name = "job")
class JobEntity {
    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    long number;

    @ManyToOne(fetch = FetchType.LAZY, optional = false)
    VehicleEntity vehicle;

    @Enumerated(EnumType.STRING)
    JobKind kind;

    String complaint;

    @Nullable
    String replacedModule;

    @Nullable
    @Enumerated(EnumType.STRING)
    PartOrigin partOrigin;

    Instant createdAt;
    String createdBy;

    @Nullable
    Instant closedAt;

    String closedWhy = "";

    @Nullable
    Instant reopenedAt;

    /** Raised by each act of a person. */
    @Version
    long version;

    String lastAct = "";
    String lastWho = "";

    @Nullable
    Instant lastAt;

    void wanted(Job.Wanted wanted) {
        kind = wanted.kind();
        complaint = wanted.complaint();
        replacedModule = wanted.module().orElse(null);
        partOrigin = wanted.origin().orElse(null);
    }

    Job job() {
        return new Job(
                id,
                number,
                vehicle.vehicle(),
                new Job.Wanted(kind, complaint, Optional.ofNullable(replacedModule), Optional.ofNullable(partOrigin)),
                new Job.Life(
                        createdAt,
                        createdBy,
                        Optional.ofNullable(closedAt),
                        closedWhy,
                        Optional.ofNullable(reopenedAt)),
                version);
    }
}
