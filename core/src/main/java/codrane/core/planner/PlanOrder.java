package codrane.core.planner;

import codrane.core.plan.Operation;
import codrane.core.plan.Operation.Kind;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;

/** The order in which a plan's operations stand, and that each sentence stands once. */
final class PlanOrder {
    /** Where an operation stands: among those of a kind, before or after them. */
    private record Place(Kind kind, int after) {}

    private PlanOrder() {}

    static Comparator<Operation> comparator() {
        Comparator<Place> places = Comparator.comparing(Place::kind).thenComparingInt(Place::after);
        return Comparator.comparing(PlanOrder::place, places);
    }

    /** The battery comes off before what that would undo; as the last means it comes after relearning and restarting. */
    private static Place place(Operation operation) {
        boolean whole = operation.module().isEmpty();
        return switch (operation.kind()) {
            case BATTERY_OFF -> operation.conditional() ? new Place(Kind.RELEARN, 2) : new Place(Kind.SLEEP, 1);
            case RESET -> whole ? new Place(Kind.RELEARN, 1) : new Place(Kind.RESET, 0);
            case PROVE -> new Place(Kind.PROVE, whole ? 1 : 0);
            default -> new Place(operation.kind(), 0);
        };
    }

    /**
     * Reasons, prompts and cautions stand once, at the first act that is done for certain; each act keeps a reason. What
     * must be seen where the act is done is asked of {@link Cautions} again there.
     */
    static List<Operation> saidOnce(List<Operation> operations) {
        Set<String> said = new HashSet<>();
        Map<String, Operation> once = new HashMap<>();
        for (boolean perhaps : new boolean[] {false, true})
            operations.stream().filter(o -> o.conditional() == perhaps).forEach(o -> once.put(o.key(), fresh(o, said)));
        return operations.stream()
                .map(o -> Objects.requireNonNull(once.get(o.key())))
                .toList();
    }

    private static Operation fresh(Operation operation, Set<String> said) {
        List<String> reasons = fresh(operation.reasons(), said);
        Operation with = operation.saying(fresh(operation.prompts(), said), fresh(operation.cautions(), said));
        return reasons.isEmpty() ? with : with.withReasons(reasons);
    }

    private static List<String> fresh(List<String> sentences, Set<String> said) {
        return sentences.stream().filter(said::add).toList();
    }
}
