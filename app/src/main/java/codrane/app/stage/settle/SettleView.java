package codrane.app.stage.settle;

import codrane.app.web.StairsPicture;
import codrane.core.job.JobState;
import codrane.core.job.SettleLadder;
import codrane.core.plan.Operation;
import java.util.List;
import java.util.Optional;

/**
 * The page of Settle.
 *
 * @param note why nothing stands here; empty when something does
 * @param stairs empty when none of them is planned
 * @param sleep empty when the vehicle was not watched since the run, or the next act says what was seen
 */
public record SettleView(String note, Optional<StairsPicture> stairs, Optional<Seen> sleep, List<Wanted> wanted) {
    /** Whether the vehicle slept when it was watched. */
    public record Seen(String mark, String sentence) {}

    /** What the plan wants of a person. */
    public record Wanted(String title, List<String> reasons, List<String> prompts, List<String> cautions) {}

    static SettleView of(JobState state) {
        List<Wanted> wanted =
                state.leftToSettle().stream().map(SettleView::wanted).toList();
        String note = state.plan().isEmpty()
                ? "The plan will say here what the vehicle needs until it is at rest."
                : wanted.isEmpty() ? "The plan wants neither sleep nor the battery off here." : "";
        return new SettleView(
                note,
                Optional.of(SettleLadder.of(state))
                        .filter(SettleLadder::planned)
                        .map(StairsPicture::of),
                state.sleepSeen()
                        .filter(look -> wanted.isEmpty())
                        .map(look -> new Seen(look.asleep() ? "agrees" : "differs", look.sentence())),
                wanted);
    }

    private static Wanted wanted(Operation o) {
        return new Wanted(o.title(), o.reasons(), o.prompts(), o.cautions());
    }
}
