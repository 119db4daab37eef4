package codrane.core.job;

import codrane.core.plan.Operation;
import codrane.core.plan.School;

/** Whether what is written must go by cable. */
public final class Cable {
    private Cable() {}

    /** A module insists, or the workshop does. */
    public static boolean needed(JobState state) {
        if (state.plan().isEmpty())
            return state.replaced().map(m -> m.traits().wiredOnly()).orElse(false);
        if (state.writes().isEmpty()) return false;
        School school = state.planHas(Operation.Kind.PROGRAM) ? School.PROGRAMMING_LINK : School.CODING_LINK;
        return state.decided().policy().is(school, "wired")
                || state.writes().stream()
                        .filter(o -> !o.module().isEmpty())
                        .anyMatch(o -> state.pack().module(o.module()).traits().wiredOnly());
    }
}
