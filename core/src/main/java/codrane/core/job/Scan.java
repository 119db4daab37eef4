package codrane.core.job;

import codrane.core.fault.Fault;
import codrane.core.scan.ModuleReading;
import java.time.Instant;
import java.util.List;
import java.util.Map;

/** One scan of a vehicle. */
public record Scan(long id, Instant takenAt, String takenBy, Map<String, ModuleReading> readings) {
    public List<Fault> faults() {
        return readings.values().stream().flatMap(r -> r.faults().stream()).toList();
    }
}
