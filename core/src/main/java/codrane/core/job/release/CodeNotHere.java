package codrane.core.job.release;

import codrane.core.job.JobState;
import codrane.core.job.RunTasks;
import codrane.core.job.act.Stop;
import codrane.core.job.act.StopRule;
import codrane.core.plan.Stage;
import codrane.core.ready.Need;
import java.util.Locale;
import java.util.Optional;

/** What comes next is done with a code that nobody typed, or with one of another day. */
final class CodeNotHere implements StopRule {
    @Override
    public Optional<Stop> judge(JobState state) {
        for (Need.Kind kind : RunTasks.codes(state))
            if (!state.prepared().codesHere(state.now()).contains(kind))
                return Optional.of(new Stop(
                        "Not started. The " + kind.title().toLowerCase(Locale.ROOT)
                                + " is not here: type it at Prepare. Nothing was sent.",
                        Optional.of(Stage.PREPARE)));
        return Optional.empty();
    }
}
