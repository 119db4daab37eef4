package codrane.app.parts;

import codrane.app.packs.PackShelf;
import codrane.app.workshop.Times;
import codrane.core.job.OldPart;
import codrane.core.job.PartState;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * The old modules that this workshop has or had, those that are here first.
 *
 * @param states to choose from, by key; none when who looks may not
 */
public record PartsView(List<Part> parts, Map<String, String> states) {
    /**
     * @param job number of the one in which it came out
     * @param again what must be done before it works in another vehicle; none when it is gone
     * @param steps what became of it, the newest first
     */
    public record Part(
            long job,
            String title,
            String vin,
            String serial,
            String state,
            boolean here,
            List<String> again,
            List<String> steps) {}

    static PartsView of(List<PartStored> stored, PackShelf packs, Times times, boolean may) {
        List<Part> parts = stored.stream()
                .map(part -> part(part, packs, times))
                .sorted(Comparator.comparing(Part::here).reversed().thenComparing(Part::job, Comparator.reverseOrder()))
                .toList();
        return new PartsView(parts, may ? choices() : Map.of());
    }

    private static Map<String, String> choices() {
        Map<String, String> states = new java.util.LinkedHashMap<>();
        for (PartState state : PartState.values()) states.put(state.name(), state.words());
        return states;
    }

    private static Part part(PartStored part, PackShelf packs, Times times) {
        PartState state = part.last().state();
        Optional<PackModule> module = packs.all().stream()
                .filter(pack -> pack.id().equals(part.pack()))
                .findFirst()
                .map(Pack::modules)
                .map(modules -> modules.get(part.module()));
        List<String> again =
                state.here() && module.isPresent() ? OldPart.again(packs.get(part.pack()), module.get()) : List.of();
        return new Part(
                part.job(),
                part.title(),
                part.vin(),
                part.serial(),
                state.words()
                        + (part.last().detail().isEmpty()
                                ? ""
                                : ": " + part.last().detail()),
                state.here(),
                again,
                part.steps().reversed().stream()
                        .map(s -> times.at(s.at()) + ", " + s.who() + ": "
                                + s.state().words() + (s.detail().isEmpty() ? "" : ", " + s.detail()))
                        .toList());
    }
}
