package codrane.app.baseline;

import codrane.core.baseline.BaselineSummary.Origin;
import codrane.core.baseline.BaselineSummary.Purpose;
import codrane.core.vin.Vin;
import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.time.format.DateTimeParseException;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** Takes in baselines from files: only whole ones, and only of the vehicle that they are for. */
@Component
public class BaselineImport {
    /** Before any vehicle here was built. */
    private static final Instant EARLIEST = Instant.parse("1990-01-01T00:00:00Z");

    private final Baselines baselines;
    private final InstantSource time;

    BaselineImport(Baselines baselines, InstantSource time) {
        this.baselines = baselines;
        this.time = time;
    }

    /** The vehicle that the file must be of. */
    public record Vehicle(long id, Vin vin, String pack) {}

    /** @return why not, as a sentence; nothing was kept then */
    public Optional<String> take(Vehicle vehicle, byte[] upload, String who) {
        return switch (BaselineArchive.take(upload)) {
            case BaselineArchive.Taken.Bad(String reason) -> Optional.of(reason);
            case BaselineArchive.Taken.Good(var baseline, var file) -> {
                if (!file.vin().equals(vehicle.vin().text()) || !file.pack().equals(vehicle.pack()))
                    yield Optional.of("This is a baseline of another vehicle, " + file.vin() + ". It is not taken.");
                if (baselines.has(vehicle.id(), baseline.sha256())) yield Optional.of("This baseline is here already.");
                Optional<Instant> taken = instant(file.takenAt());
                if (taken.isEmpty()) yield Optional.of("When it was taken can't be read.");
                baselines.add(
                        new Baselines.Place(null, vehicle.id(), Origin.IMPORTED, Purpose.BEFORE, ""),
                        baseline,
                        taken.get(),
                        who);
                yield Optional.empty();
            }
        };
    }

    private Optional<Instant> instant(String text) {
        try {
            Instant taken = Instant.parse(text);
            boolean sensible =
                    taken.isAfter(EARLIEST) && taken.isBefore(time.instant().plus(Duration.ofDays(1)));
            return sensible ? Optional.of(taken) : Optional.empty();
        } catch (DateTimeParseException e) {
            return Optional.empty();
        }
    }
}
