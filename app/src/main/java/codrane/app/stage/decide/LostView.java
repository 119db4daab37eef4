package codrane.app.stage.decide;

import codrane.app.baseline.Lost;
import codrane.core.baseline.Drift;
import codrane.core.job.JobState;
import java.util.List;

/**
 * How the vehicle was left, against now: nothing is ticked.
 *
 * @param nothing that no setting was lost, as a sentence; empty when some were
 * @param others what can't be compared setting by setting
 */
public record LostView(
        String left,
        String nothing,
        boolean same,
        List<Group> groups,
        List<String> others,
        List<Tick> whole,
        List<String> refused) {
    public record Group(String title, List<Tick> settings) {}

    /** @param more what is to be known before it is ticked */
    public record Tick(String value, String title, String more, boolean possible) {}

    static LostView of(JobState state, Lost lost) {
        return new LostView(
                "Left on " + state.now().dayAndTime(lost.asLeft().takenAt())
                        + ", against now. Nothing is ticked for you.",
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

    private static Tick tick(JobState state, Drift.Lost lost) {
        return new Tick(
                lost.putBack().key(),
                lost.fieldTitle() + ": " + lost.is() + " → " + lost.was(),
                lost.moduleTitle() + ". " + lost.note()
                        + lost.obstacle().map(o -> " " + o).orElse(""),
                lost.possible() && !state.runHolds());
    }
}
