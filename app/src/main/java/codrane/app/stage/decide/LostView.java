package codrane.app.stage.decide;

import codrane.app.baseline.Lost;
import codrane.core.baseline.BaselineSummary;
import codrane.core.baseline.Drift;
import codrane.core.job.JobState;
import codrane.core.job.stage.DecideStage;
import java.util.List;

/**
 * How the vehicle was left, against now: nothing is ticked.
 *
 * @param nothing that no setting was lost, as a sentence; empty when some were
 * @param visits with what it may be compared
 * @param choosing whether what is ticked is planned next
 * @param others what can't be compared setting by setting
 */
public record LostView(
        String left,
        List<Visit> visits,
        boolean choosing,
        String nothing,
        boolean same,
        List<Group> groups,
        List<String> others,
        List<Tick> whole,
        List<String> refused) {
    private static final int MOST = 12;

    public record Group(String title, List<Tick> settings) {}

    /** @param more what is to be known before it is ticked */
    public record Tick(String value, String title, String more, boolean possible) {}

    /**
     * @param id of the baseline
     * @param compared whether it is the one
     */
    public record Visit(long id, String title, boolean compared) {}

    static LostView of(JobState state, Lost lost) {
        boolean choosing = DecideStage.choosesWhatGoesBack(state);
        return new LostView(
                title(state, lost.asLeft()) + ", against now. "
                        + (choosing
                                ? "Nothing is ticked for you."
                                : "What was ticked is in the plan: compare again to choose anew."),
                visits(state, lost),
                choosing,
                lost.drift().isEmpty() ? lost.sentence() : "",
                lost.same(),
                lost.drift().groups().stream()
                        .map(g -> new Group(
                                g.title(),
                                g.lost().stream().map(l -> tick(l, choosing)).toList()))
                        .toList(),
                lost.drift().otherSettings(),
                lost.whole().stream()
                        .map(w -> new Tick(w.putBack().key(), w.title(), "", choosing))
                        .toList(),
                lost.wholeRefused());
    }

    /** The one that is compared stands among them, however old it is. */
    private static List<Visit> visits(JobState state, Lost lost) {
        BaselineSummary then = lost.asLeft();
        return lost.earlier().stream()
                .filter(b -> b.id() == then.id() || lost.earlier().indexOf(b) < MOST)
                .map(b -> new Visit(b.id(), title(state, b), b.id() == then.id()))
                .toList();
    }

    private static String title(JobState state, BaselineSummary then) {
        boolean left = then.purpose() == BaselineSummary.Purpose.AS_LEFT;
        return (left ? "Left on " : "Found on ") + state.now().dayAndTime(then.takenAt()) + ", " + then.takenBy();
    }

    private static Tick tick(Drift.Lost lost, boolean choosing) {
        return new Tick(
                lost.putBack().key(),
                lost.fieldTitle() + ": " + lost.is() + " → " + lost.was(),
                lost.moduleTitle() + ". " + lost.note()
                        + lost.obstacle().map(o -> " " + o).orElse(""),
                lost.possible() && choosing);
    }
}
