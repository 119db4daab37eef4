package codrane.core.planner;

import codrane.core.plan.Operation;
import codrane.core.plan.Operation.Kind;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;

/** What the rules asked so far have planned. */
final class Draft {
    private final List<Operation> operations = new ArrayList<>();

    void add(List<Operation> more) {
        operations.addAll(more);
    }

    List<Operation> operations() {
        return List.copyOf(operations);
    }

    boolean has(Kind kind) {
        return operations.stream().anyMatch(o -> o.kind() == kind && !o.conditional());
    }

    boolean has(Kind kind, String module) {
        return operations.stream().anyMatch(o -> o.kind() == kind && o.module().equals(module) && !o.conditional());
    }

    boolean writes() {
        return operations.stream().anyMatch(o -> o.kind().writes() && !o.conditional());
    }

    /** Modules whose memory is written, each once, in the order in which they were planned. */
    List<String> writtenModules() {
        return operations.stream()
                .filter(o ->
                        o.kind().writes() && !o.conditional() && !o.module().isEmpty())
                .map(Operation::module)
                .distinct()
                .toList();
    }

    /** Modules of such operations, each once. */
    List<String> modulesOf(Set<Kind> kinds) {
        return operations.stream()
                .filter(o -> kinds.contains(o.kind()) && !o.module().isEmpty())
                .map(Operation::module)
                .distinct()
                .toList();
    }
}
