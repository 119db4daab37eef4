package codrane.core.job.release;

import codrane.core.job.JobState;
import codrane.core.job.act.Stop;
import codrane.core.job.act.StopRule;
import java.util.Optional;

/** Never two writers on one socket. */
final class SecondWriter implements StopRule {
    @Override
    public Optional<Stop> judge(JobState state) {
        return state.benched()
                .notes()
                .secondWriter()
                .flatMap(second -> Stop.because("Not started. " + second
                        + " is on the same socket and writes, too: see Bench. Nothing was sent."));
    }
}
