package codrane.core.job;

import codrane.core.plan.JobKind;
import codrane.core.plan.PartOrigin;
import codrane.core.vin.Vin;
import java.time.Instant;
import java.util.Optional;

/**
 * A job as it was taken in, without what was found since.
 *
 * @param number by which people know it
 * @param version raised by each act of a person
 */
public record Job(long id, long number, Vehicle vehicle, Wanted wanted, Life life, long version) {
    /** @param model of the pack's maker */
    public record Vehicle(long id, Vin vin, String packId, String model) {
        /** As people name it among others: model and the end of its VIN. */
        public String brief() {
            return model + " …" + vin.end();
        }
    }

    /**
     * What is to be done.
     *
     * @param module that is replaced, or that the work is about
     * @param origin of the replacing part
     */
    public record Wanted(JobKind kind, String complaint, Optional<String> module, Optional<PartOrigin> origin) {}

    /**
     * When it began and ended.
     *
     * @param closedWhy why it was cancelled; empty when it was not
     */
    public record Life(
            Instant createdAt,
            String createdBy,
            Optional<Instant> closedAt,
            String closedWhy,
            Optional<Instant> reopenedAt) {}

    public long vehicleId() {
        return vehicle.id();
    }

    public Vin vin() {
        return vehicle.vin();
    }

    public String packId() {
        return vehicle.packId();
    }

    public String model() {
        return vehicle.model();
    }

    public JobKind kind() {
        return wanted.kind();
    }

    public String complaint() {
        return wanted.complaint();
    }

    public Optional<String> replacedModule() {
        return wanted.module();
    }

    public Optional<PartOrigin> origin() {
        return wanted.origin();
    }

    public Optional<Instant> closedAt() {
        return life.closedAt();
    }

    /** Why it was cancelled; empty when it was not. */
    public Optional<String> cancelled() {
        return Optional.of(life.closedWhy()).filter(why -> !why.isEmpty());
    }

    public Optional<Instant> reopenedAt() {
        return life.reopenedAt();
    }
}
