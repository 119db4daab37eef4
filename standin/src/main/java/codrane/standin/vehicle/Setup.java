package codrane.standin.vehicle;

import codrane.core.pack.Pack;
import codrane.core.vin.Vin;
import codrane.standin.module.Part;
import java.util.HashMap;
import java.util.Map;

/**
 * Which vehicle is simulated: a VIN, and the parts that differ from those with which it was built.
 *
 * @param parts by module id
 */
public record Setup(Pack pack, Vin vin, Map<String, Part> parts) {
    public Setup {
        parts = Map.copyOf(parts);
    }

    /** Nothing is odd. */
    public static Setup healthy(Pack pack, Vin vin) {
        return new Setup(pack, vin, Map.of());
    }

    public Setup with(String module, Part part) {
        Map<String, Part> all = new HashMap<>(parts);
        all.put(pack.module(module).id(), part);
        return new Setup(pack, vin, all);
    }

    /** A part that never was in a vehicle. */
    public Setup withBlankPart(String module) {
        return with(module, Part.blank());
    }

    /** Faults stored in an otherwise healthy module. */
    public Setup withFault(String module, String... faults) {
        return with(module, of(module).withFaults(faults));
    }

    /** The module is not there. */
    public Setup without(String module) {
        return with(module, of(module).in(Part.Health.ABSENT));
    }

    /** The part in a module's place. */
    public Part of(String module) {
        Part built = Part.fitted(vin, pack.module(module).software().current());
        return parts.getOrDefault(module, built);
    }
}
