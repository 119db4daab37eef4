package codrane.core.job;

import codrane.core.pack.Equipment;
import codrane.core.pack.Feature;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;

/**
 * Equipment that is on, does not go with a chosen one, and is not to be turned off yet.
 *
 * @param whole whether all of it is on, not only some of its settings
 */
public record Clash(Feature chosen, Feature other, boolean whole) {
    /** In the pack's order; none while nothing was chosen or read. */
    public static List<Clash> of(JobState state) {
        Optional<Scan> scan = state.after().or(state::before);
        Equipment equipment = state.pack().equipment();
        List<Feature> chosen = PlanFacts.equipment(state);
        if (scan.isEmpty() || chosen.isEmpty()) return List.of();
        Map<Feature.Setting, String> going = state.putBack().stream()
                .filter(p -> !p.whole())
                .collect(Collectors.toMap(
                        p -> new Feature.Setting(p.layout(), p.field()), p -> p.value(), (one, other) -> other));
        return equipment.against(chosen).stream()
                .filter(other -> equipment.left(other, chosen).entrySet().stream()
                        .anyMatch(on -> isOn(state, scan.get(), on)
                                && going.getOrDefault(on.getKey(), on.getValue())
                                        .equals(on.getValue())))
                .map(other -> new Clash(
                        equipment.against(other, chosen),
                        other,
                        other.on().entrySet().stream().allMatch(on -> isOn(state, scan.get(), on))))
                .toList();
    }

    private static boolean isOn(JobState state, Scan scan, Map.Entry<Feature.Setting, String> on) {
        return PlanFacts.value(state, scan, on.getKey().layout(), on.getKey().field())
                .equals(Optional.of(on.getValue()));
    }

    public String sentence() {
        return other.title() + (whole ? " is on" : " is on in part") + ", and " + chosen.title()
                + " does not go with it." + (canGo() ? "" : " The pack does not say how it is turned off.");
    }

    /** Whether the pack says how the other is turned off. */
    public boolean canGo() {
        return !other.off().isEmpty();
    }
}
