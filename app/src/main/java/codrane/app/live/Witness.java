package codrane.app.live;

import codrane.core.octets.Bytes;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import codrane.core.pack.PackModule.Ident;
import codrane.core.scan.ModuleReading;
import codrane.core.scan.WhoAnswers;
import codrane.core.vin.Vin;
import codrane.core.vin.VinComparison;
import codrane.link.DiagnosticLink;
import codrane.link.scan.VehicleScanner;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** A module that nobody writes to says by its serial number whether this is the vehicle that was scanned. */
public final class Witness {
    private Witness() {}

    /**
     * Asks modules for their VIN until it is clear whose vehicle this is. The one whose VIN counts as the vehicle's is
     * asked first.
     *
     * @param replaced id of the module that was replaced, and has no say; empty for none
     */
    public static WhoAnswers whose(DiagnosticLink link, Pack pack, Vin plate, String replaced) {
        VehicleScanner scanner = new VehicleScanner(link, pack);
        List<PackModule> modules = pack.modules().values().stream()
                .filter(m -> !m.id().equals(replaced) && m.identification().containsKey(Ident.VIN))
                .sorted(Comparator.comparing(m -> !m.id().equals(pack.vinReference())))
                .toList();
        List<VinComparison.Held> held = new ArrayList<>();
        for (PackModule module : modules) {
            Optional<Bytes> vin = scanner.data(module, module.did(Ident.VIN));
            if (vin.isEmpty() && !scanner.anyone(modules)) break;
            if (vin.isEmpty()) continue;
            held.add(VinComparison.compare(plate, new VinComparison.Stored(module.id(), module.title(), vin)));
            if (WhoAnswers.settled(held)) break;
        }
        return WhoAnswers.judge(held);
    }

    /**
     * @param before readings of the scan
     * @param written ids of modules that are written to, or were replaced: they are no witnesses
     * @return that it is another vehicle, as a sentence; empty when it is the same, or no witness answers
     */
    public static Optional<String> stranger(
            DiagnosticLink link, Pack pack, Map<String, ModuleReading> before, Set<String> written) {
        VehicleScanner scanner = new VehicleScanner(link, pack);
        List<PackModule> witnesses = pack.modules().values().stream()
                .filter(m -> !written.contains(m.id()) && serial(before, m).isPresent())
                .toList();
        for (PackModule module : witnesses) {
            Optional<Bytes> now = scanner.data(module, module.did(Ident.SERIAL));
            if (now.isEmpty() && scanner.anyone(witnesses)) continue;
            if (now.isEmpty() || now.equals(serial(before, module))) return Optional.empty();
            return Optional.of("Another vehicle is on the cable than the one that was scanned: the "
                    + module.lowerTitle() + " has another serial number.");
        }
        return Optional.empty();
    }

    private static Optional<Bytes> serial(Map<String, ModuleReading> before, PackModule module) {
        return Optional.ofNullable(before.get(module.id())).flatMap(r -> r.octets(Ident.SERIAL));
    }
}
