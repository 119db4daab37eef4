package codrane.core.job.act;

import codrane.core.job.JobState;
import codrane.core.job.hold.HoldRules;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.Stage;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;

/**
 * Hold points before the act's stage are open. A locked gateway keeps nobody from reading and deciding.
 *
 * @param stage to which the act belongs
 */
public record TooEarly(Stage stage) implements StopRule {
    @Override
    public Optional<Stop> judge(JobState state) {
        List<HoldPoint> open = HoldRules.progress(state).openBefore(stage).stream()
                .filter(p -> p != HoldPoint.AUTHORISED || stage.compareTo(Stage.RUN) > 0)
                .toList();
        if (open.isEmpty()) return Optional.empty();
        return Stop.because(open.getFirst().stage().title() + " comes before " + stage.title() + ". Still open: "
                + open.stream().map(HoldPoint::title).collect(Collectors.joining("; ")) + ".");
    }
}
