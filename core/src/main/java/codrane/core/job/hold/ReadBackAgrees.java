package codrane.core.job.hold;

import codrane.core.job.JobState;
import codrane.core.plan.HoldPoint;
import java.util.List;
import java.util.Optional;

/** A fresh scan agrees with what was written. */
final class ReadBackAgrees implements HoldRule {
    @Override
    public HoldPoint point() {
        return HoldPoint.READ_BACK_AGREES;
    }

    @Override
    public boolean kept(JobState state) {
        return state.runFinished()
                && state.readBackTroubles().map(List::isEmpty).orElse(false);
    }

    @Override
    public Optional<String> missingToWaive(JobState state) {
        return state.after().isEmpty() ? Optional.of("Scan again first.") : Optional.empty();
    }
}
