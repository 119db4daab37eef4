package codrane.core.job.release;

import codrane.core.job.JobState;
import codrane.core.job.LearnedValues;
import codrane.core.job.act.Stop;
import codrane.core.job.act.StopRule;
import codrane.core.plan.Operation;
import codrane.core.plan.Stage;
import java.util.List;
import java.util.Optional;

/** What the old part had learned is to be written, and nobody typed all of it. */
final class LearnedNotHere implements StopRule {
    @Override
    public Optional<Stop> judge(JobState state) {
        for (Operation write : state.writes()) {
            if (write.kind() != Operation.Kind.WRITE_LEARNED) continue;
            List<String> missing = LearnedValues.missing(state, write.module());
            if (!missing.isEmpty())
                return Optional.of(new Stop(
                        "Not started. Type at Prepare what the old "
                                + state.pack().module(write.module()).lowerTitle() + " had learned: "
                                + String.join(", ", missing) + ".",
                        Optional.of(Stage.PREPARE)));
        }
        return Optional.empty();
    }
}
