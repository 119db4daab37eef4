package codrane.core.scan;

import codrane.core.fault.Fault;
import codrane.core.octets.Bytes;
import codrane.core.pack.PackModule.Ident;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Everything one module said during a scan.
 *
 * @param identification octets by what they hold; what was refused is absent
 * @param coding blocks by layout id; what was refused is absent
 * @param faultsRead false: the fault memory could not be read, which is not the same as no faults
 */
public record ModuleReading(
        String module,
        Presence presence,
        Map<Ident, Bytes> identification,
        Map<String, Bytes> coding,
        List<Fault> faults,
        boolean faultsRead) {
    /** Whether a module answered. */
    public enum Presence {
        ANSWERS,
        /** Only its boot software answers: the application is missing or broken. */
        BOOT_ONLY,
        SILENT
    }

    public ModuleReading {
        identification = Map.copyOf(identification);
        coding = Map.copyOf(coding);
        faults = List.copyOf(faults);
    }

    public static ModuleReading silent(String module) {
        return new ModuleReading(module, Presence.SILENT, Map.of(), Map.of(), List.of(), false);
    }

    /** Software version by module, of those that told one. */
    public static Map<String, String> software(Map<String, ModuleReading> readings) {
        Map<String, String> software = new HashMap<>();
        readings.forEach((module, reading) -> reading.text(Ident.SOFTWARE).ifPresent(v -> software.put(module, v)));
        return software;
    }

    public boolean answers() {
        return presence != Presence.SILENT;
    }

    /** Identification as text without padding, or empty when not read. */
    public Optional<String> text(Ident ident) {
        return Optional.ofNullable(identification.get(ident)).map(b -> b.text().strip());
    }

    public Optional<Bytes> octets(Ident ident) {
        return Optional.ofNullable(identification.get(ident));
    }
}
