package codrane.core.job;

import codrane.core.baseline.BaselineFile;
import codrane.core.baseline.BaselineSummary;
import codrane.core.baseline.BaselineSummary.Purpose;
import codrane.core.octets.Bytes;
import codrane.core.pack.Adaptation;
import codrane.core.planner.BringBackLearned;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/** What a module had learned of the vehicle, as a baseline holds it. */
public final class LearnedValues {
    private LearnedValues() {}

    /** Octets by adaptation: of the old module where one was replaced, else of the module before the job's first write. */
    static Map<Adaptation, Bytes> of(JobState state, String module) {
        boolean replaced =
                state.job().kind().replaces() && state.job().replacedModule().equals(Optional.of(module));
        Optional<BaselineSummary> from = replaced
                ? state.baselined().last(Purpose.OLD_PART)
                : state.baselined().first();
        Map<Adaptation, Bytes> learned = new LinkedHashMap<>();
        from.flatMap(b -> state.baselined().files().apply(b.id()).module(module))
                .ifPresent(read -> {
                    for (Adaptation adaptation : state.pack().module(module).adaptations())
                        read.adaptations().stream()
                                .filter(value -> value.key().equals(adaptation.key()))
                                .map(BaselineFile.Measured::raw)
                                .findFirst()
                                .ifPresent(octets -> learned.put(adaptation, octets));
                });
        if (replaced) typed(state, module).forEach(learned::putIfAbsent);
        return learned;
    }

    /** As they stand on the label of the old part, or as the maker told them. */
    private static Map<Adaptation, Bytes> typed(JobState state, String module) {
        Map<String, Bytes> typed = state.prepared().typed().learned().getOrDefault(module, Map.of());
        Map<Adaptation, Bytes> values = new LinkedHashMap<>();
        for (Adaptation adaptation : state.pack().module(module).adaptations())
            if (typed.containsKey(adaptation.key())) values.put(adaptation, typed.get(adaptation.key()));
        return values;
    }

    /** Modules of which every value was typed. */
    static Set<String> typed(JobState state) {
        return state.prepared().typed().learned().keySet().stream()
                .filter(state.pack().modules()::containsKey)
                .filter(module -> typed(state, module).size()
                        == state.pack().module(module).adaptations().size())
                .collect(Collectors.toUnmodifiableSet());
    }

    /** Whether nobody read the old part. */
    static boolean fromElsewhere(JobState state, String module) {
        return state.before()
                .filter(scan -> BringBackLearned.fromElsewhere(state.vehicleFacts(scan), module))
                .isPresent();
    }

    /** Titles of what would go back and is not known yet. */
    public static List<String> missing(JobState state, String module) {
        Map<Adaptation, Bytes> known = of(state, module);
        return state.pack().module(module).adaptations().stream()
                .filter(adaptation -> !known.containsKey(adaptation))
                .map(Adaptation::title)
                .toList();
    }
}
