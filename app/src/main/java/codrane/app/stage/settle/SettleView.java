package codrane.app.stage.settle;

import codrane.core.job.JobState;
import codrane.core.plan.Operation;
import java.util.List;

/**
 * The page of Settle.
 *
 * @param note why nothing stands here; empty when something does
 */
public record SettleView(String note, List<Wanted> wanted) {
    /** What the plan wants of a person. */
    public record Wanted(String title, List<String> reasons, List<String> prompts, List<String> cautions) {}

    static SettleView of(JobState state) {
        List<Wanted> wanted = state.settling().stream().map(SettleView::wanted).toList();
        String note = state.plan().isEmpty()
                ? "The plan will say here what the vehicle needs until it is at rest."
                : wanted.isEmpty() ? "The plan wants neither sleep nor the battery off." : "";
        return new SettleView(note, wanted);
    }

    private static Wanted wanted(Operation o) {
        return new Wanted(o.title(), o.reasons(), o.prompts(), o.cautions());
    }
}
