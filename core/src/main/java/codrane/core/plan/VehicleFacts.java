package codrane.core.plan;

import codrane.core.baseline.PutBack;
import codrane.core.gateway.OperationMatrix.Gateway;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import codrane.core.scan.ModuleReading;
import codrane.core.vin.Vin;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * What is known when a plan is made.
 *
 * @param replaced module id of the part that was replaced
 * @param putBack lost settings that a person chose to put back
 * @param readings by module id, from the newest scan
 */
public record VehicleFacts(
        JobKind kind,
        Pack pack,
        Vin vin,
        Optional<String> replaced,
        Optional<PartOrigin> origin,
        Map<String, ModuleReading> readings,
        Gateway gateway,
        List<PutBack> putBack) {
    public VehicleFacts {
        readings = Map.copyOf(readings);
        putBack = List.copyOf(putBack);
    }

    /** Without lost settings to be put back. */
    public VehicleFacts(
            JobKind kind,
            Pack pack,
            Vin vin,
            Optional<String> replaced,
            Optional<PartOrigin> origin,
            Map<String, ModuleReading> readings,
            Gateway gateway) {
        this(kind, pack, vin, replaced, origin, readings, gateway, List.of());
    }

    Optional<PackModule> replacedModule() {
        return kind == JobKind.REPLACE_MODULE ? replaced.map(pack::module) : Optional.empty();
    }

    /** The replaced module's reading; silent when it was not asked. */
    ModuleReading replacedReading() {
        String id = replaced.orElseThrow();
        return readings.getOrDefault(id, ModuleReading.silent(id));
    }
}
