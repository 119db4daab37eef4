package codrane.core.job;

import codrane.core.pack.Equipment;
import codrane.core.pack.Feature;
import codrane.core.pack.Places;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;

/**
 * What the customer is told of equipment that was enabled; only of what was not on before, and was read back as on.
 *
 * @param use how to use it, as a sentence; may be empty
 * @param starts what it does when the vehicle is started, as a sentence; may be empty
 * @param limits what it does not do, as a sentence; may be empty
 * @param back how it is turned off again, as a sentence
 */
public record CustomerCard(String title, String use, String starts, String limits, String back) {
    /** In the order in which one needs the other; none while nothing was enabled and read back. */
    public static List<CustomerCard> of(JobState state) {
        if (state.run().isEmpty() || state.after().isEmpty()) return List.of();
        Scan after = state.after().get();
        Equipment equipment = state.pack().equipment();
        return equipment.withNeeds(PlanFacts.equipment(state)).stream()
                .filter(f -> !f.on().isEmpty() && f.on().entrySet().stream().allMatch(on -> reads(state, after, on)))
                .filter(f -> state.before().stream()
                        .anyMatch(b -> f.on().entrySet().stream().anyMatch(on -> !reads(state, b, on))))
                .map(f -> card(state, f))
                .toList();
    }

    private static boolean reads(JobState state, Scan scan, Map.Entry<Feature.Setting, String> on) {
        return PlanFacts.value(state, scan, on.getKey().layout(), on.getKey().field())
                .equals(Optional.of(on.getValue()));
    }

    private static CustomerCard card(JobState state, Feature feature) {
        String before = "What it was before stands in job " + state.job().number() + ".";
        String settings = feature.off().entrySet().stream()
                .map(off -> "\""
                        + Places.title(
                                state.pack(),
                                off.getKey().layout(),
                                off.getKey().field())
                        + "\" to " + off.getValue())
                .collect(Collectors.joining(", "));
        return new CustomerCard(
                feature.title(),
                feature.card().use(),
                feature.card().starts(),
                feature.card().limits(),
                settings.isEmpty()
                        ? "By coding, in the workshop. " + before
                        : "By coding, in the workshop: " + settings + ". " + before);
    }
}
