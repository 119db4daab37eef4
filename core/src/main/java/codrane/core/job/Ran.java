package codrane.core.job;

import java.util.Optional;

/**
 * What Run knows.
 *
 * @param last the newest run of the job, of whichever plan
 */
public record Ran(Optional<JobRun> last) implements Part {
    public static final Ran NEVER = new Ran(Optional.empty());
}
