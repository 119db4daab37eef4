package codrane.core.scan;

import codrane.core.octets.Bytes;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Everything that could be read of a vehicle, or of one module.
 *
 * @param key position of the key while it was read: 0 off, 1 on, 2 engine running; empty when it was not told
 * @param modules by module id
 * @param measured live values and adaptations: octets by data identifier, by module id; what was refused is absent
 * @param order codes of the vehicle order, separated by blanks; empty when it was not told
 * @param obd legislated diagnostics, one for each module that takes part
 */
public record DeepReading(
        Optional<Integer> key,
        Map<String, ModuleReading> modules,
        Map<String, Map<Integer, Bytes>> measured,
        Optional<String> order,
        List<ObdReading> obd) {
    public DeepReading {
        modules = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(modules));
        measured = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(measured));
        obd = List.copyOf(obd);
    }

    /** A scan, without what goes deeper. */
    public static DeepReading of(Map<String, ModuleReading> scan) {
        return new DeepReading(Optional.empty(), scan, Map.of(), Optional.empty(), List.of());
    }

    /** The octets of a live value or adaptation. */
    public Optional<Bytes> measured(String module, int dataIdentifier) {
        return Optional.ofNullable(measured.getOrDefault(module, Map.of()).get(dataIdentifier));
    }
}
