package codrane.core.job;

import codrane.core.baseline.BaselineFile;
import codrane.core.baseline.BaselineSummary;
import codrane.core.baseline.BaselineSummary.Purpose;
import codrane.core.octets.Bytes;
import codrane.core.pack.Adaptation;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;

/** What a module had learned of the vehicle, as a baseline holds it. */
final class LearnedValues {
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
        return learned;
    }
}
