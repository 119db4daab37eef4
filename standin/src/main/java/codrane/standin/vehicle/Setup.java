package codrane.standin.vehicle;

import codrane.core.fault.FaultCode;
import codrane.core.pack.Pack;
import codrane.core.vin.Vin;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Which vehicle is simulated: a VIN, and what differs from a healthy vehicle of its pack.
 *
 * @param deviations by module id
 */
public record Setup(Pack pack, Vin vin, Map<String, Deviation> deviations) {
    /**
     * What is odd about one module.
     *
     * @param vin it holds; absent: blank
     * @param software it has; absent: boot software only
     * @param madeFor vehicle its coding was made for; absent: blank coding
     * @param values coding values that differ from the factory's
     * @param faults stored from before
     */
    public record Deviation(
            Optional<Vin> vin,
            Optional<String> software,
            Optional<Vin> madeFor,
            Map<String, String> values,
            List<FaultCode> faults,
            boolean fitted) {
        public Deviation {
            values = Map.copyOf(values);
            faults = List.copyOf(faults);
        }
    }

    public Setup {
        deviations = Map.copyOf(deviations);
    }

    /** Nothing is odd. */
    public static Setup healthy(Pack pack, Vin vin) {
        return new Setup(pack, vin, Map.of());
    }

    public Setup with(String module, Deviation deviation) {
        Map<String, Deviation> all = new HashMap<>(deviations);
        all.put(pack.module(module).id(), deviation);
        return new Setup(pack, vin, all);
    }

    /** A part out of another vehicle, with its software, coding and a stored fault. */
    public Setup withUsedPart(String module, Vin donor, String software, Map<String, String> values, String fault) {
        return with(
                module,
                new Deviation(
                        Optional.of(donor),
                        Optional.of(software),
                        Optional.of(donor),
                        values,
                        List.of(FaultCode.parse(fault)),
                        true));
    }

    /** A part that never was in a vehicle: no VIN, no application, no coding. */
    public Setup withBlankPart(String module) {
        return with(
                module, new Deviation(Optional.empty(), Optional.empty(), Optional.empty(), Map.of(), List.of(), true));
    }

    /** A fault stored in an otherwise healthy module. */
    public Setup withFault(String module, String fault) {
        String current = pack.module(module).software().current();
        return with(
                module,
                new Deviation(
                        Optional.of(vin),
                        Optional.of(current),
                        Optional.of(vin),
                        Map.of(),
                        List.of(FaultCode.parse(fault)),
                        true));
    }

    /** The module is not there. */
    public Setup without(String module) {
        return with(
                module,
                new Deviation(Optional.empty(), Optional.empty(), Optional.empty(), Map.of(), List.of(), false));
    }

    Deviation of(String module) {
        Deviation healthy = new Deviation(
                Optional.of(vin),
                Optional.of(pack.module(module).software().current()),
                Optional.of(vin),
                Map.of(),
                List.of(),
                true);
        return deviations.getOrDefault(module, healthy);
    }
}
