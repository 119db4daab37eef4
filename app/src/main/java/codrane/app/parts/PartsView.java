package codrane.app.parts;

import codrane.app.notes.Notes;
import codrane.app.packs.PackShelf;
import codrane.app.workshop.Times;
import codrane.core.job.OldPart;
import codrane.core.job.PartState;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * The old modules that this workshop has or had, those that are here first.
 *
 * @param more what is not listed, as a sentence; empty when all are
 */
public record PartsView(List<Part> parts, String more) {
    /**
     * @param job number of the one in which it came out
     * @param again what must be done before it works in another vehicle; none when it is gone
     * @param steps what became of it, the newest first
     * @param choices what may become of it, in words by key; none when who looks may not say it
     */
    public record Part(
            long job,
            String title,
            String vin,
            String serial,
            String state,
            boolean here,
            List<String> again,
            List<String> steps,
            Map<String, String> choices) {}

    static PartsView of(List<PartStored> stored, PackShelf packs, Times times, boolean may) {
        return new PartsView(
                stored.stream()
                        .map(part -> part(part, packs, times, may))
                        .sorted(Comparator.comparing(Part::here)
                                .reversed()
                                .thenComparing(Part::job, Comparator.reverseOrder()))
                        .toList(),
                stored.size() < Notes.MOST_EVERYWHERE
                        ? ""
                        : "No more than the newest " + Notes.MOST_EVERYWHERE
                                + " are listed; older ones stand at their jobs, under Record.");
    }

    /** Fitting is offered always: into its own vehicle every part may go back. */
    private static Map<String, String> choices(PackModule module, PartState now) {
        Map<String, String> choices = new LinkedHashMap<>();
        for (PartState state : PartState.values())
            if (PartState.refusal(module.traits().vinLock(), Optional.of(now), state, true)
                    .isEmpty()) choices.put(state.name(), state.words());
        return choices;
    }

    private static Part part(PartStored part, PackShelf packs, Times times, boolean may) {
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
                        .toList(),
                may ? module.map(m -> choices(m, state)).orElse(Map.of()) : Map.of());
    }
}
