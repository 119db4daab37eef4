package codrane.app.stage.decide;

import codrane.core.job.Clash;
import codrane.core.job.JobState;
import codrane.core.job.PlanFacts;
import codrane.core.job.Scan;
import codrane.core.pack.Concern;
import codrane.core.pack.Equipment;
import codrane.core.pack.Feature;
import codrane.core.pack.PackModule;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * The equipment that a pack knows, as it is in this vehicle.
 *
 * @param items in the pack's order
 * @param clashes what is on, and does not go with what was chosen
 */
public record Catalogue(List<Item> items, List<Clash> clashes) {
    /**
     * @param mark id of its mark
     * @param state in words
     * @param lines what to know of it, each as a sentence
     * @param on whether it is there already
     */
    public record Item(
            String id, String title, String mark, String state, List<String> lines, boolean on, boolean chosen) {}

    static Catalogue of(JobState state, Scan scan) {
        Equipment equipment = state.pack().equipment();
        List<Feature> chosen = PlanFacts.equipment(state);
        return new Catalogue(
                equipment.features().stream()
                        .filter(f -> !f.on().isEmpty())
                        .map(f -> item(state, scan, f, chosen.contains(f)))
                        .toList(),
                Clash.of(state));
    }

    public List<Item> chosen() {
        return items.stream().filter(Item::chosen).toList();
    }

    private static Item item(JobState state, Scan scan, Feature feature, boolean chosen) {
        long there = feature.on().entrySet().stream()
                .filter(on -> read(state, scan, on.getKey()).equals(Optional.of(on.getValue())))
                .count();
        boolean known = feature.on().keySet().stream()
                .allMatch(s -> read(state, scan, s).isPresent());
        boolean on = there == feature.on().size();
        String words = !known
                ? "not read"
                : on
                        ? "is on"
                        : there > 0
                                ? "on in part: " + there + " of " + feature.on().size()
                                : "is off";
        return new Item(
                feature.id(),
                feature.title(),
                !known ? "silent" : on ? "agrees" : there > 0 ? "differs" : "not-asked",
                words,
                lines(state, feature),
                on,
                chosen);
    }

    private static Optional<String> read(JobState state, Scan scan, Feature.Setting setting) {
        return PlanFacts.value(state, scan, setting.layout(), setting.field());
    }

    private static List<String> lines(JobState state, Feature feature) {
        Equipment equipment = state.pack().equipment();
        Set<String> lines = new LinkedHashSet<>();
        if (!feature.lookFirst().isEmpty()) lines.add("Look first: " + feature.lookFirst() + ".");
        String needs = Feature.titles(equipment.withNeeds(List.of(feature)).stream()
                .filter(f -> !f.equals(feature))
                .toList());
        if (!needs.isEmpty()) lines.add("Brings with it: " + needs + ".");
        String against = Feature.titles(equipment.against(List.of(feature)));
        if (!against.isEmpty()) lines.add("Does not go with: " + against + ".");
        if (!feature.card().limits().isEmpty()) lines.add(feature.card().limits());
        feature.concerns().stream().sorted().map(Concern::caution).forEach(lines::add);
        String modules = feature.on().keySet().stream()
                .flatMap(s -> state.pack().holder(s.layout()).stream())
                .map(PackModule::lowerTitle)
                .distinct()
                .collect(Collectors.joining(" and "));
        int settings = feature.on().size();
        lines.add(settings + (settings == 1 ? " setting" : " settings") + " in the " + modules + ".");
        return List.copyOf(lines);
    }
}
