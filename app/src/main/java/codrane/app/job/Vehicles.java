package codrane.app.job;

import codrane.core.job.Job;
import codrane.core.vin.Vin;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** The vehicles that were ever taken in. */
@Component
@Transactional
public class Vehicles {
    private static final int LENGTH = 17;

    private final VehicleRepository vehicles;

    Vehicles(VehicleRepository vehicles) {
        this.vehicles = vehicles;
    }

    /** A vehicle with what there is of it. */
    public record Line(Vin vin, String model, long jobs, long open, long baselines, Instant lastSeen) {
        Line(String vin, String model, long jobs, long open, long baselines, Instant lastSeen) {
            this(new Vin(vin), model, jobs, open, baselines, lastSeen);
        }
    }

    @Transactional(readOnly = true)
    public Optional<Job.Vehicle> find(String vin) {
        return vehicles.findByVin(vin).map(VehicleEntity::vehicle);
    }

    /** The vehicle, taken in without a job when it is not there yet. */
    public Job.Vehicle takeIn(Vin vin, String packId, String model, Instant now) {
        return entity(vin, packId, model, now).vehicle();
    }

    VehicleEntity entity(Vin vin, String packId, String model, Instant now) {
        return vehicles.findByVin(vin.text()).orElseGet(() -> {
            VehicleEntity vehicle = new VehicleEntity();
            vehicle.vin = vin.text();
            vehicle.pack = packId;
            vehicle.model = model;
            vehicle.createdAt = now;
            return vehicles.save(vehicle);
        });
    }

    /** @param text any part of VIN or model; empty for all. Those seen last first, at most 100 */
    @Transactional(readOnly = true)
    public List<Line> lines(String text) {
        String like = "%" + text.toUpperCase(Locale.ROOT).replace("%", "").replace("_", "") + "%";
        return vehicles.lines(like, Limit.of(100));
    }

    /** Vehicles whose VIN is as the text but for one place, in order. */
    @Transactional(readOnly = true)
    public List<String> near(String vin) {
        if (vin.length() != LENGTH) return List.of();
        return vehicles.vins().stream()
                .filter(known -> apart(known, vin) == 1)
                .sorted()
                .toList();
    }

    private static int apart(String one, String other) {
        int apart = 0;
        for (int i = 0; i < LENGTH; i++) if (one.charAt(i) != other.charAt(i)) apart++;
        return apart;
    }

    @Transactional(readOnly = true)
    public boolean none() {
        return vehicles.count() == 0;
    }
}
