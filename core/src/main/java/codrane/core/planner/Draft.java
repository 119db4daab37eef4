package codrane.core.planner;

import codrane.core.plan.Operation;
import codrane.core.plan.Operation.Kind;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;

/** What the rules asked so far have planned. */
final class Draft {
    private final List<Operation> operations = new ArrayList<>();

    /** Coding that is written to a module anyway takes what else is wished of it along: it is written once. */
    void add(List<Operation> more) {
        for (Operation operation : more) {
            int same = operation.kind() == Kind.WRITE_CODING ? place(operation) : -1;
            if (same < 0) operations.add(operation);
            else operations.set(same, operations.get(same).with(operation));
        }
    }

    private int place(Operation operation) {
        for (int i = 0; i < operations.size(); i++) {
            Operation each = operations.get(i);
            if (each.key().equals(operation.key()) && !each.conditional()) return i;
        }
        return -1;
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
