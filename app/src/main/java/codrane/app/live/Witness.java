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
        List<PackModule> modules = new ArrayList<>(pack.modules().values());
        modules.sort(Comparator.comparing(m -> !m.id().equals(pack.vinReference())));
        List<VinComparison.Held> held = new ArrayList<>();
        for (PackModule module : modules) {
            boolean asked =
                    !module.id().equals(replaced) && module.identification().containsKey(Ident.VIN);
            if (!asked) continue;
            Optional<Bytes> vin = scanner.data(module, module.did(Ident.VIN));
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
        for (PackModule module : pack.modules().values()) {
            Optional<Bytes> then = Optional.ofNullable(before.get(module.id()))
                    .filter(r -> !written.contains(module.id()))
                    .flatMap(r -> r.octets(Ident.SERIAL));
            if (then.isEmpty()) continue;
            Optional<Bytes> now = new VehicleScanner(link, pack).data(module, module.did(Ident.SERIAL));
            if (now.isEmpty()) continue;
            if (now.equals(then)) return Optional.empty();
            return Optional.of("Another vehicle is on the cable than the one that was scanned: the "
                    + module.lowerTitle() + " has another serial number.");
        }
        return Optional.empty();
    }
}
