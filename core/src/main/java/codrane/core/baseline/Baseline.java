package codrane.core.baseline;

import codrane.core.coding.Layout;
import codrane.core.fault.Fault;
import codrane.core.octets.Bytes;
import codrane.core.octets.Checksums;
import codrane.core.pack.Adaptation;
import codrane.core.pack.LiveValue;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import codrane.core.pack.PackModule.Ident;
import codrane.core.scan.DeepReading;
import codrane.core.scan.ModuleReading;
import codrane.core.scan.ObdReading;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * A baseline of a vehicle: raw octets, from which coding can be restored, and labels, by which it can be read.
 *
 * @param json canonical JSON, schema {@code codrane.baseline/1}
 * @param sha256 of the JSON's UTF-8, lower-case hex
 */
public record Baseline(String json, String sha256) {
    /** @param vin as on the plate */
    public static Baseline of(Pack pack, String vin, Instant takenAt, DeepReading reading) {
        List<Object> modules = new ArrayList<>();
        for (PackModule module : pack.modules().values()) {
            ModuleReading own = reading.modules().get(module.id());
            if (own != null) modules.add(module(pack, module, own, reading));
        }
        Map<String, Object> root = new LinkedHashMap<>();
        root.put("schema", BaselineFile.SCHEMA);
        root.put("pack", Map.of("id", pack.id(), "version", pack.version()));
        root.put("vin", vin);
        root.put("takenAt", takenAt.truncatedTo(ChronoUnit.MICROS).toString());
        root.put("key", reading.key().map(Baseline::keyWord).orElse("unknown"));
        reading.order().ifPresent(order -> root.put("order", order));
        root.put("modules", modules);
        root.put("obd", reading.obd().stream().map(Baseline::obd).toList());
        String json = CanonicalJson.of(root);
        return new Baseline(json, hash(json));
    }

    private static String keyWord(int key) {
        return key == 0 ? "off" : key == 1 ? "on" : "running";
    }

    private static Map<String, Object> obd(ObdReading reading) {
        Map<String, Object> out = new LinkedHashMap<>();
        out.put("address", reading.address());
        reading.vin().ifPresent(vin -> out.put("vin", vin));
        out.put("calibrations", reading.calibrations());
        out.put("verificationNumbers", reading.verificationNumbers());
        out.put("stored", reading.stored());
        out.put("pending", reading.pending());
        out.put("permanent", reading.permanent());
        out.put("lampOn", reading.lampOn());
        return out;
    }

    public static String hash(String json) {
        return Checksums.sha256(json.getBytes(StandardCharsets.UTF_8));
    }

    private static Map<String, Object> module(Pack newest, PackModule module, ModuleReading reading, DeepReading all) {
        Pack pack = newest.as(ModuleReading.software(Map.of(module.id(), reading)));
        Map<String, Object> out = new LinkedHashMap<>();
        out.put("module", module.id());
        out.put("address", module.address());
        out.put("presence", reading.presence().name().toLowerCase(java.util.Locale.ROOT));
        Map<String, Object> identification = new LinkedHashMap<>();
        reading.identification().forEach((ident, octets) -> {
            if (ident != Ident.IMMOBILISER)
                identification.put(ident.key(), labelled(octets)); // who is paired is no backup
        });
        out.put("identification", identification);
        List<Object> coding = new ArrayList<>();
        for (Layout layout : pack.blocksOf(module)) {
            Bytes block = reading.coding().get(layout.id());
            if (block != null) coding.add(block(layout, block));
        }
        out.put("coding", coding);
        out.put("faultsRead", reading.faultsRead());
        out.put("faults", reading.faults().stream().map(f -> fault(pack, f)).toList());
        List<Object> live = new ArrayList<>();
        for (LiveValue value : module.live())
            measured(value.key(), value.title(), value.scaling(), all.measured(module.id(), value.identifier()))
                    .ifPresent(live::add);
        out.put("live", live);
        List<Object> adaptations = new ArrayList<>();
        for (Adaptation value : module.adaptations())
            measured(value.key(), value.title(), value.scaling(), all.measured(module.id(), value.identifier()))
                    .ifPresent(adaptations::add);
        out.put("adaptations", adaptations);
        return out;
    }

    /** Octets of another length than the pack's are kept without a value. */
    private static Optional<Object> measured(
            String key, String title, LiveValue.Scaling scaling, Optional<Bytes> octets) {
        return octets.map(raw -> {
            Map<String, Object> out = new LinkedHashMap<>();
            out.put("key", key);
            out.put("title", title);
            out.put("raw", raw.hex());
            out.put("unit", scaling.unit());
            if (raw.length() == scaling.octets()) out.put("value", scaling.text(raw.unsigned()));
            return out;
        });
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
