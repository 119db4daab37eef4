package codrane.core.job.release;

import codrane.core.job.JobState;
import codrane.core.job.act.Stop;
import codrane.core.job.act.StopRule;
import java.util.Optional;

/** Never two writers on one socket. */
final class SecondWriter implements StopRule {
    @Override
    public Optional<Stop> judge(JobState state) {
        return reason(state).flatMap(why -> Stop.because("Not started. " + why + " Nothing was sent."));
    }

    static Optional<String> reason(JobState state) {
        return state.benched()
                .notes()
                .secondWriter()
                .map(second -> second + " is on the same socket and writes, too: see Bench.");
    }
}
