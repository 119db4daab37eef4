package codrane.link.scan;

import codrane.core.octets.Bytes;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import codrane.core.pack.PackModule.Ident;
import codrane.core.scan.DeepReading;
import codrane.core.scan.ModuleReading;
import codrane.core.scan.ObdReading;
import codrane.link.DiagnosticLink;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.stream.Collectors;

/** Reads everything that a vehicle tells: the scan, live values, adaptations, the vehicle order. Only reads. */
public final class DeepReader {
    private final VehicleScanner scanner;
    private final Pack pack;

    public DeepReader(DiagnosticLink link, Pack pack) {
        scanner = new VehicleScanner(link, pack);
        this.pack = pack;
    }

    /**
     * @param modules to be read, in this order
     * @param obd what the legislated diagnostics told, over a link of their own
     * @param progress told each module's reading when it is complete
     * @throws codrane.link.LinkLostException when the link is gone
     */
    public DeepReading read(Collection<PackModule> modules, List<ObdReading> obd, Consumer<ModuleReading> progress) {
        Map<String, ModuleReading> readings = new LinkedHashMap<>();
        Map<String, Map<Integer, Bytes>> measured = new LinkedHashMap<>();
        for (PackModule module : modules) {
            ModuleReading reading = scanner.read(module);
            readings.put(module.id(), reading);
            if (reading.answers()) measured.put(module.id(), measured(module));
            progress.accept(reading);
        }
        return new DeepReading(key(), readings, measured, order(readings), obd);
    }

    private Map<Integer, Bytes> measured(PackModule module) {
        List<Integer> identifiers = new ArrayList<>();
        module.live().forEach(live -> identifiers.add(live.identifier()));
        module.adaptations().forEach(adaptation -> identifiers.add(adaptation.identifier()));
        Map<Integer, Bytes> measured = new LinkedHashMap<>();
        for (int identifier : identifiers)
            scanner.data(module, identifier).ifPresent(octets -> measured.put(identifier, octets));
        return measured;
    }

    private Optional<Integer> key() {
        return scanner.data(pack.module(pack.key().module()), pack.key().dataIdentifier())
                .filter(octets -> octets.length() == 1)
                .map(octets -> octets.u8(0));
    }

    private static ModuleReading reading(Map<String, ModuleReading> readings, String module) {
        return readings.getOrDefault(module, ModuleReading.silent(module));
    }

    /** As a holder tells it that carries the VIN of most modules, else the first one: a part from elsewhere holds another's. */
    private Optional<String> order(Map<String, ModuleReading> readings) {
        return pack.equipment()
                .order()
                .flatMap(order -> order.holders().stream()
                        .filter(holder -> reading(readings, holder).answers())
                        .min(Comparator.comparing(
                                holder -> !vin(reading(readings, holder)).equals(common(readings))))
                        .flatMap(holder -> scanner.data(pack.module(holder), order.dataIdentifier()))
                        .map(octets -> octets.text().strip()));
    }

    private static Optional<Bytes> vin(ModuleReading reading) {
        return reading.octets(Ident.VIN);
    }

    /** The VIN that most modules carry. */
    private static Optional<Bytes> common(Map<String, ModuleReading> readings) {
        Map<Bytes, Long> counts = readings.values().stream()
                .flatMap(reading -> vin(reading).stream())
                .collect(Collectors.groupingBy(Function.identity(), Collectors.counting()));
        return counts.entrySet().stream().max(Map.Entry.comparingByValue()).map(Map.Entry::getKey);
    }
}
