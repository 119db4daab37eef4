package codrane.core.job;

import codrane.core.baseline.BaselineFile;
import codrane.core.baseline.BaselineSummary.Purpose;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import codrane.core.pack.PackModule.Ident;
import codrane.core.pack.Procedure.Effect;
import codrane.core.pack.VinLock;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * The module that came out: what it holds, for which vehicle, and what it needs to be used again. What nobody read is
 * said to be unknown.
 *
 * @param facts by title, as they were read before its removal
 * @param again sentences: what must be done before it works in another vehicle
 * @param code what a camera reads from its label
 */
public record OldPart(String title, Map<String, String> facts, List<String> again, String code) {
    private static final String UNKNOWN = "not read";

    public OldPart {
        facts = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(facts));
        again = List.copyOf(again);
    }

    /** Absent when the job replaces nothing, or the old module is still in its place. */
    public static Optional<OldPart> of(JobState state) {
        if (!state.job().kind().replaces()) return Optional.empty();
        if (state.intake()
                .oldModule()
                .filter(old -> old == IntakeNotes.OldModule.STILL_IN)
                .isPresent()) return Optional.empty();
        Optional<BaselineFile.Module> read = state.replaced()
                .flatMap(module -> state.baselined()
                        .last(Purpose.OLD_PART)
                        .flatMap(b -> state.baselined().files().apply(b.id()).module(module.id())));
        return state.replaced()
                .map(module -> of(
                        state.pack(),
                        module,
                        read,
                        state.job().vin().text(),
                        state.job().number()));
    }

    /**
     * @param read the module as it was before its removal; absent when it could not be read
     * @param vin of the vehicle out of which it came
     */
    public static OldPart of(Pack pack, PackModule module, Optional<BaselineFile.Module> read, String vin, long job) {
        Map<String, String> held = read.map(BaselineFile.Module::identification).orElse(Map.of());
        Map<String, String> facts = new LinkedHashMap<>();
        if (read.isEmpty()) facts.put("What it holds", "nobody read it before its removal");
        else
            for (Ident ident : List.of(Ident.PART, Ident.HARDWARE, Ident.SERIAL, Ident.SOFTWARE, Ident.VIN))
                facts.put(ident.title(), held.getOrDefault(ident.key(), UNKNOWN));
        facts.put("Came out of", vin + ", job " + job);
        read.ifPresent(m -> facts.put(
                "Coding",
                !m.coding().isEmpty()
                        ? "kept with its bytes in the baseline of the old part"
                        : module.blocks().isEmpty() ? "it has none" : UNKNOWN));
        String code =
                "P " + held.getOrDefault(Ident.PART.key(), "?") + " S " + held.getOrDefault(Ident.SERIAL.key(), "?")
                        + " W " + held.getOrDefault(Ident.SOFTWARE.key(), "?") + " V " + vin + " J " + job;
        return new OldPart(module.title() + " of a " + pack.title(), facts, again(pack, module), code);
    }

    /** What must be done before it works in another vehicle, as sentences. */
    public static List<String> again(Pack pack, PackModule module) {
        List<String> again = new ArrayList<>();
        VinLock lock = module.traits().vinLock();
        again.add(lock.words());
        if (lock == VinLock.BOUND) {
            again.add("It works in this vehicle only: nothing brings it into another.");
            return again;
        }
        if (lock == VinLock.CLEANABLE) again.add("Send it to the specialist before anything else.");
        again.add(
                module.traits().learnsVinFrom().isPresent()
                        ? "Then it learns the VIN of its next vehicle from a neighbour, and is coded after that."
                        : module.blocks().isEmpty()
                                ? "Then it gets the VIN of its next vehicle."
                                : "Then it gets the VIN and the coding of its next vehicle.");
        pack.equipment()
                .order()
                .filter(o -> o.holders().contains(module.id()))
                .ifPresent(o -> again.add("It keeps a vehicle order: it gets that of its next vehicle, too."));
        pack.equipment()
                .immobiliser()
                .filter(i -> i.master().equals(module.id()) || i.members().contains(module.id()))
                .ifPresent(i ->
                        again.add("It shares the immobiliser's secret: it is paired there, with every key at hand."));
        boolean aimed = pack.equipment().procedures().values().stream()
                .anyMatch(p -> p.module().equals(module.id()) && p.effect() == Effect.CALIBRATE);
        if (aimed) again.add("It finds its zero or is aimed after that, never before.");
        return again;
    }
}
