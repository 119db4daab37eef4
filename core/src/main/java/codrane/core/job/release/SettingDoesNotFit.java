package codrane.core.job.release;

import codrane.core.job.CodingAtHand;
import codrane.core.job.JobState;
import codrane.core.job.act.Stop;
import codrane.core.job.act.StopRule;
import java.util.Optional;

/** A chosen setting can't be put into its block. */
final class SettingDoesNotFit implements StopRule {
    @Override
    public Optional<Stop> judge(JobState state) {
        boolean fits = state.before()
                .map(scan -> CodingAtHand.chosen(state, scan.readings()))
                .map(blocks -> state.putBack().stream().allMatch(p -> blocks.containsKey(p.layout())))
                .orElse(state.putBack().isEmpty());
        return Stop.unless(fits, "A chosen setting can't be put into its block: compare again.");
    }
}
