package codrane.core.plan;

import codrane.core.fault.Fault;
import codrane.core.octets.Bytes;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import codrane.core.pack.PackModule.Ident;
import codrane.core.scan.CodingState;
import codrane.core.scan.ModuleReading;
import codrane.core.scan.ModuleReading.Presence;
import codrane.core.vin.Vin;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * What a module said, as far as a plan depends on it.
 *
 * @param vin as stored; blank text when the module holds none, empty when it was not read
 * @param software version; empty text when it was not read
 * @param counter how often it says that it was programmed, 0 or more
 */
public record ModuleAnswer(
        Presence presence,
        Optional<String> vin,
        String software,
        CodingState coding,
        List<Fault> faults,
        Optional<Integer> counter) {
    public static final ModuleAnswer SILENT =
            new ModuleAnswer(Presence.SILENT, Optional.empty(), "", CodingState.NOT_READ, List.of());

    public ModuleAnswer {
        faults = List.copyOf(faults);
    }

    /** Its programming counter was not read. */
    public ModuleAnswer(
            Presence presence, Optional<String> vin, String software, CodingState coding, List<Fault> faults) {
        this(presence, vin, software, coding, faults, Optional.empty());
    }

    /** From a scan. */
    public static Map<String, ModuleAnswer> of(Pack pack, Vin vin, Map<String, ModuleReading> readings) {
        Map<String, ModuleAnswer> answers = new LinkedHashMap<>();
        for (PackModule module : pack.modules().values()) {
            ModuleReading reading = readings.get(module.id());
            if (reading == null) continue;
            CodingState coding = reading.answers() ? CodingState.of(pack, module, reading, vin) : CodingState.NOT_READ;
            answers.put(
                    module.id(),
                    new ModuleAnswer(
                            reading.presence(),
                            reading.octets(Ident.VIN).map(ModuleAnswer::vinText),
                            reading.text(Ident.SOFTWARE).orElse(""),
                            coding,
                            reading.faults(),
                            reading.octets(Ident.COUNTER).map(ModuleAnswer::number)));
        }
        return answers;
    }

    private static String vinText(Bytes stored) {
        boolean blank = stored.isEmpty() || stored.allAre(0xFF) || stored.allAre(0) || stored.allAre(' ');
        return blank ? "" : stored.text().strip();
    }

    /** Its last three octets: no module was programmed more often. */
    private static int number(Bytes octets) {
        int number = 0;
        for (int i = Math.max(0, octets.length() - 3); i < octets.length(); i++) number = number << 8 | octets.u8(i);
        return number;
    }

    public boolean answers() {
        return presence != Presence.SILENT;
    }

    public boolean bootOnly() {
        return presence == Presence.BOOT_ONLY;
    }

    /** Whether it holds another VIN than this vehicle's. */
    public boolean foreign(Vin own) {
        return vin.filter(v -> !v.isEmpty() && !v.equals(own.text())).isPresent();
    }
}
