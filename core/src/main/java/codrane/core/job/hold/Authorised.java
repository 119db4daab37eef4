package codrane.core.job.hold;

import codrane.core.job.JobState;
import codrane.core.job.OpenFor;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.JobKind;
import java.time.Duration;

/** The gateway was seen open, and stays so for long enough. */
final class Authorised implements HoldRule {
    @Override
    public HoldPoint point() {
        return HoldPoint.AUTHORISED;
    }

    @Override
    public boolean needed(JobState state) {
        boolean writes = state.plan().isEmpty() || !state.writes().isEmpty();
        return state.access().there() && state.job().kind() != JobKind.BASELINE_ONLY && writes;
    }

    @Override
    public boolean kept(JobState state) {
        Duration writing = Duration.ofSeconds(OpenFor.seconds(state));
        return state.runFinished() || state.runHolds() || state.access().left().compareTo(writing) > 0;
    }
}
