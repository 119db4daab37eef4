package codrane.app.stage.identify;

import codrane.core.fault.Fault;
import codrane.core.fault.FaultCode;
import codrane.core.octets.Bytes;
import codrane.core.pack.PackModule.Ident;
import codrane.core.scan.ModuleReading;
import codrane.core.scan.ModuleReading.Presence;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.ObjectMapper;

/** Readings of a scan, as they are stored: octets as hex. */
final class ScanStored {
    static final int FORM = 1;

    private static final ObjectMapper JSON = new ObjectMapper();

    private ScanStored() {}

    record Stored(
            String module,
            Presence presence,
            Map<Ident, String> identification,
            Map<String, String> coding,
            List<StoredFault> faults,
            boolean faultsRead) {}

    record StoredFault(String code, int status) {}

    static String write(Map<String, ModuleReading> readings) {
        return JSON.writeValueAsString(
                readings.values().stream().map(ScanStored::stored).toList());
    }

    /** @param form in which it was stored */
    static Map<String, ModuleReading> read(int form, String json) {
        if (form != FORM) throw new IllegalStateException("a scan of form " + form + " is too new");
        Map<String, ModuleReading> readings = new LinkedHashMap<>();
        for (Stored stored : JSON.readValue(json, new TypeReference<List<Stored>>() {})) {
            readings.put(stored.module(), reading(stored));
        }
        return readings;
    }

    private static Stored stored(ModuleReading reading) {
        Map<Ident, String> identification = new LinkedHashMap<>();
        reading.identification().forEach((ident, octets) -> identification.put(ident, octets.hex()));
        Map<String, String> coding = new LinkedHashMap<>();
        reading.coding().forEach((block, octets) -> coding.put(block, octets.hex()));
        return new Stored(
                reading.module(),
                reading.presence(),
                identification,
                coding,
                reading.faults().stream()
                        .map(f -> new StoredFault(f.code().text(), f.status()))
                        .toList(),
                reading.faultsRead());
    }

    private static ModuleReading reading(Stored stored) {
        return new ModuleReading(
                stored.module(),
                stored.presence(),
                octets(stored.identification()),
                octets(stored.coding()),
                stored.faults().stream()
                        .map(f -> new Fault(stored.module(), FaultCode.parse(f.code()), f.status()))
                        .toList(),
                stored.faultsRead());
    }

    private static <K> Map<K, Bytes> octets(Map<K, String> hex) {
        return hex.entrySet().stream().collect(Collectors.toMap(Map.Entry::getKey, e -> Bytes.parse(e.getValue())));
    }
}
