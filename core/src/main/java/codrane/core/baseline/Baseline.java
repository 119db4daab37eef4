package codrane.core.baseline;

import codrane.core.coding.Layout;
import codrane.core.fault.Fault;
import codrane.core.octets.Bytes;
import codrane.core.octets.Checksums;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import codrane.core.scan.ModuleReading;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * A baseline of a vehicle: raw octets, from which coding can be restored, and labels, by which it can be read.
 *
 * @param json canonical JSON, schema {@code codrane.baseline/1}
 * @param sha256 of the JSON's UTF-8, lower-case hex
 */
public record Baseline(String json, String sha256) {
    /** @param vin as on the plate */
    public static Baseline of(Pack pack, String vin, Instant takenAt, Map<String, ModuleReading> readings) {
        List<Object> modules = new ArrayList<>();
        for (PackModule module : pack.modules().values()) {
            ModuleReading reading = readings.get(module.id());
            if (reading != null) modules.add(module(pack, module, reading));
        }
        String json = CanonicalJson.of(Map.of(
                "schema",
                "codrane.baseline/1",
                "pack",
                Map.of("id", pack.id(), "version", pack.version()),
                "vin",
                vin,
                "takenAt",
                takenAt.truncatedTo(ChronoUnit.MICROS).toString(),
                "modules",
                modules));
        return new Baseline(json, hash(json));
    }

    public static String hash(String json) {
        return Checksums.sha256(json.getBytes(StandardCharsets.UTF_8));
    }

    private static Map<String, Object> module(Pack pack, PackModule module, ModuleReading reading) {
        Map<String, Object> out = new LinkedHashMap<>();
        out.put("module", module.id());
        out.put("address", module.address());
        out.put("presence", reading.presence().name().toLowerCase(java.util.Locale.ROOT));
        Map<String, Object> identification = new LinkedHashMap<>();
        reading.identification().forEach((ident, octets) -> identification.put(ident.key(), labelled(octets)));
        out.put("identification", identification);
        List<Object> coding = new ArrayList<>();
        for (Layout layout : pack.blocksOf(module)) {
            Bytes block = reading.coding().get(layout.id());
            if (block != null) coding.add(block(layout, block));
        }
        out.put("coding", coding);
        out.put("faultsRead", reading.faultsRead());
        out.put("faults", reading.faults().stream().map(f -> fault(pack, f)).toList());
        return out;
    }

    private static Map<String, Object> labelled(Bytes octets) {
        return Map.of("raw", octets.hex(), "text", octets.text().strip());
    }

    private static Map<String, Object> block(Layout layout, Bytes block) {
        Map<String, Object> out = new LinkedHashMap<>();
        out.put("block", layout.id());
        out.put("id", layout.dataIdentifier());
        out.put("raw", block.hex());
        out.put(
                "checkHolds",
                block.length() == layout.length() && layout.check().holds(block));
        if (block.length() == layout.length())
            out.put("values", new LinkedHashMap<String, Object>(layout.decode(block)));
        return out;
    }

    private static Map<String, Object> fault(Pack pack, Fault fault) {
        return Map.of(
                "code", fault.code().text(),
                "status", fault.status(),
                "title",
                        pack.fault(fault.module(), fault.code())
                                .map(Pack.FaultText::title)
                                .orElse("not in the pack"));
    }
}
