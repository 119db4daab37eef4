package codrane.core.job;

import codrane.core.pack.Concern;
import codrane.core.pack.PackModule;
import codrane.core.plan.Operation;
import java.util.EnumSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;

/** What can hurt before anybody touches the vehicle: of the vehicle itself, and of what this job is about. */
public final class ArrivalCautions {
    private static final Set<Concern> HURT =
            EnumSet.of(Concern.HIGH_VOLTAGE, Concern.RESTRAINTS, Concern.MOVING_PARTS, Concern.LICENSED_WORK);

    private ArrivalCautions() {}

    /** Short sentences; a module that the job does not touch has none here. */
    public static List<String> of(JobState state) {
        Set<String> cautions = new LinkedHashSet<>(state.pack().equipment().safety());
        boolean voltage = !cautions.isEmpty()
                && state.pack().modules().values().stream()
                        .anyMatch(m -> m.traits().concerns().contains(Concern.HIGH_VOLTAGE));
        touched(state)
                .forEach(module -> module.traits().concerns().stream()
                        .filter(HURT::contains)
                        .filter(concern -> !(voltage && concern == Concern.HIGH_VOLTAGE)) // said of the whole vehicle
                        .forEach(concern -> cautions.add(said(module, concern))));
        return List.copyOf(cautions);
    }

    /** What the plan is about, or while there is none, what the job is. */
    private static Stream<PackModule> touched(JobState state) {
        Stream<String> planned = state.operations().stream()
                .filter(o -> o.kind().writes() || o.kind() == Operation.Kind.SWAP)
                .filter(o -> !o.conditional())
                .map(Operation::module);
        return Stream.concat(state.job().replacedModule().stream(), planned)
                .distinct()
                .filter(state.pack().modules()::containsKey)
                .map(state.pack()::module);
    }

    private static String said(PackModule module, Concern concern) {
        String caution = concern.caution();
        return caution.startsWith("It ") ? module.title() + ": it " + caution.substring(3) : caution;
    }
}
