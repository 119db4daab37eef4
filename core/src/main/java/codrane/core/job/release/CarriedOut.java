package codrane.core.job.release;

import codrane.core.job.JobRun;
import codrane.core.job.JobState;
import codrane.core.job.act.Stop;
import codrane.core.job.act.StopRule;
import java.util.Optional;

/** A plan is carried out once. */
final class CarriedOut implements StopRule {
    @Override
    public Optional<Stop> judge(JobState state) {
        return state.run()
                .filter(JobRun::finished)
                .flatMap(done -> Stop.because("Not started. This plan was carried out by " + done.startedBy() + ", "
                        + state.now().dayAndTime(done.startedAt())
                        + ": a plan is carried out once. If something is left to do, scan and plan again."));
    }
}
