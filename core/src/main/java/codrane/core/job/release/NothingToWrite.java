package codrane.core.job.release;

import codrane.core.job.CodingAtHand;
import codrane.core.job.JobState;
import codrane.core.job.act.Stop;
import codrane.core.job.act.StopRule;
import codrane.core.plan.Operation;
import java.util.Map;
import java.util.Optional;

/** A coding has no source at hand. */
final class NothingToWrite implements StopRule {
    @Override
    public Optional<Stop> judge(JobState state) {
        return state.writes().stream()
                .filter(o -> o.kind() == Operation.Kind.WRITE_CODING)
                .filter(o -> CodingAtHand.of(state, o).map(Map::isEmpty).orElse(true))
                .findFirst()
                .flatMap(o -> Stop.because("\"" + o.title()
                        + "\" has nothing to write: its source is not here. Plan again, or take another source."));
    }
}
