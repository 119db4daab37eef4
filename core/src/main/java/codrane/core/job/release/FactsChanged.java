package codrane.core.job.release;

import codrane.core.job.BeforeAgreeing;
import codrane.core.job.JobState;
import codrane.core.job.act.Stop;
import codrane.core.job.act.StopRule;
import java.util.Optional;

/** What was agreed to rested on other facts. */
final class FactsChanged implements StopRule {
    @Override
    public Optional<Stop> judge(JobState state) {
        return Stop.unless(
                !BeforeAgreeing.factsChanged(state), "What is known has changed since the plan was made: plan again.");
    }
}
