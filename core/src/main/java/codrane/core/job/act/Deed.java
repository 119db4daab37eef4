package codrane.core.job.act;

import codrane.core.job.JobState;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.Stage;
import java.util.List;
import java.util.Optional;

/** What a press leads to. */
public sealed interface Deed {
    /** Looks at a stage. */
    record Go(Stage stage) implements Deed {}

    /** Looks at another page of the job. */
    record Visit(String page) implements Deed {}

    record Keep(HoldPoint point) implements Deed {}

    record Waive(HoldPoint point) implements Deed {}

    /** @param arguments as the act wants them */
    record Do(Ask ask, List<String> arguments) implements Deed {
        public Do {
            arguments = List.copyOf(arguments);
        }
    }

    /** Whether something stops it now. */
    default Optional<Stop> stop(JobState state) {
        return this instanceof Do(Ask ask, var arguments) ? ask.stop(state) : Optional.empty();
    }
}
