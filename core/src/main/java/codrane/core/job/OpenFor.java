package codrane.core.job;

import codrane.core.plan.Operation;
import java.time.Duration;
import java.util.List;

/**
 * For how long the gateway must still be open before a run is released: for all that it does before it asks a person again.
 * When no grant of this authority lasts that long, for its longest step: between two steps a run renews it itself.
 */
public final class OpenFor {
    private OpenFor() {}

    public static int seconds(JobState state) {
        List<Operation> leg = RunTasks.leg(state);
        int all = RunTasks.legSeconds(state);
        boolean longer = state.access()
                .authorisation()
                .map(a -> Duration.between(a.grantedAt(), a.until()).toSeconds() <= all)
                .orElse(false);
        return longer
                ? leg.stream()
                        .mapToInt(o -> RunTasks.wireSeconds(state.pack(), o))
                        .max()
                        .orElse(all)
                : all;
    }
}
