package codrane.core.plan;

import java.util.List;
import java.util.stream.Stream;

/** Ordered operations, with what every rule said. */
public record Plan(List<Operation> operations, List<Decision> decisions) {
    /** One rule's part in the plan. */
    public record Decision(String rule, Judgement judgement) {}

    public Plan {
        operations = List.copyOf(operations);
        decisions = List.copyOf(decisions);
    }

    public List<String> blocks() {
        return decisions.stream()
                .map(Decision::judgement)
                .filter(Judgement.Blocked.class::isInstance)
                .map(Judgement::reason)
                .toList();
    }

    public boolean blocked() {
        return !blocks().isEmpty();
    }

    /** What is written for certain: not what is done only if something shows. */
    public Stream<Operation> writes() {
        return operations.stream().filter(o -> o.kind().writes() && !o.conditional());
    }

    public boolean has(Operation.Kind kind) {
        return operations.stream().anyMatch(o -> o.kind() == kind);
    }

    /** Expected seconds of all operations that are done for certain. */
    public int seconds() {
        return operations.stream()
                .filter(o -> !o.conditional())
                .mapToInt(Operation::seconds)
                .sum();
    }
}
