package codrane.core.job.hold;

import codrane.core.job.HoldNote;
import codrane.core.job.JobState;
import codrane.core.job.ReferenceCoding;
import codrane.core.plan.HoldPoint;
import java.util.Optional;

/** Every gap of the source was judged: of other vehicles' coding, or of a sheet that is older than the last programming. */
final class GapsConfirmed implements HoldRule {
    @Override
    public HoldPoint point() {
        return HoldPoint.GAPS_CONFIRMED;
    }

    @Override
    public boolean needed(JobState state) {
        return state.planHolds(HoldPoint.GAPS_CONFIRMED);
    }

    @Override
    public Optional<String> missing(JobState state) {
        return ReferenceCoding.of(state).flatMap(ReferenceCoding::missing);
    }

    @Override
    public boolean holds(JobState state, HoldNote note) {
        return state.run().isPresent() // it writes what was confirmed
                || about(state).isEmpty()
                || about(state).equals(note.about());
    }

    @Override
    public Optional<String> about(JobState state) {
        return ReferenceCoding.of(state).map(coding -> coding.written(state));
    }
}
