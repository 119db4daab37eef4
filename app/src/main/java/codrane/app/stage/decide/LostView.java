package codrane.app.stage.decide;

import codrane.app.baseline.Lost;
import codrane.core.baseline.BaselineSummary;
import codrane.core.baseline.Drift;
import codrane.core.job.JobState;
import java.util.List;

/**
 * How the vehicle was left, against now: nothing is ticked.
 *
 * @param nothing that no setting was lost, as a sentence; empty when some were
 * @param earlier with what it may be compared instead
 * @param others what can't be compared setting by setting
 */
public record LostView(
        String left,
        List<Earlier> earlier,
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

    /** @param id of the baseline */
    public record Earlier(long id, String title) {}

    /** @param all with what the vehicle can be compared, see Baselines#earlier */
    static LostView of(JobState state, Lost lost, List<BaselineSummary> all) {
        return new LostView(
                title(state, lost.asLeft()) + ", against now. Nothing is ticked for you.",
                all.stream()
                        .filter(b -> b.id() != lost.asLeft().id())
                        .limit(MOST)
                        .map(b -> new Earlier(b.id(), title(state, b)))
                        .toList(),
                lost.drift().isEmpty() ? lost.sentence() : "",
                lost.same(),
                lost.drift().groups().stream()
                        .map(g -> new Group(
                                g.title(),
                                g.lost().stream().map(l -> tick(state, l)).toList()))
                        .toList(),
                lost.drift().otherSettings(),
                lost.whole().stream()
                        .map(w -> new Tick(w.putBack().key(), w.title(), "", !state.runHolds()))
                        .toList(),
                lost.wholeRefused());
    }

    private static String title(JobState state, BaselineSummary then) {
        boolean left = then.purpose() == BaselineSummary.Purpose.AS_LEFT;
        return (left ? "Left on " : "Found on ") + state.now().dayAndTime(then.takenAt()) + ", " + then.takenBy();
    }

    private static Tick tick(JobState state, Drift.Lost lost) {
        return new Tick(
                lost.putBack().key(),
                lost.fieldTitle() + ": " + lost.is() + " → " + lost.was(),
                lost.moduleTitle() + ". " + lost.note()
                        + lost.obstacle().map(o -> " " + o).orElse(""),
                lost.possible() && !state.runHolds());
    }
}
