package codrane.core.job.release;

import codrane.core.job.JobState;
import codrane.core.job.act.Stop;
import codrane.core.job.act.StopRule;
import codrane.core.job.hold.HoldRules;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.Stage;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;

/** Hold points before the run are open. */
final class StillOpen implements StopRule {
    @Override
    public Optional<Stop> judge(JobState state) {
        List<HoldPoint> open = HoldRules.progress(state).openBefore(Stage.RUN);
        if (open.isEmpty()) return Optional.empty();
        String titles = open.stream().map(HoldPoint::title).collect(Collectors.joining("; "));
        return Stop.because("Not started. Still open: " + titles + "."
                + (state.power().passes() ? "" : " " + state.power().reason()));
    }
}
