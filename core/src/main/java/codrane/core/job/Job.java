package codrane.core.job;

import codrane.core.plan.JobKind;
import codrane.core.plan.PartOrigin;
import codrane.core.vin.Vin;
import java.time.Instant;
import java.util.Optional;

/**
 * A job as it is stored, without what was found since.
 *
 * @param revision raised by the database whenever something of the job changes
 * @param version raised by each act of a person
 */
public record Job(
        long id,
        long number,
        long vehicleId,
        Vin vin,
        String packId,
        String model,
        JobKind kind,
        String complaint,
        Optional<String> replacedModule,
        Optional<PartOrigin> origin,
        Instant createdAt,
        String createdBy,
        Optional<Instant> closedAt,
        Optional<Instant> reopenedAt,
        long revision,
        long version) {}
