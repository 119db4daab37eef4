package codrane.app.stage.baseline;

import codrane.app.baseline.Lost;
import codrane.core.baseline.BaselineSummary;
import codrane.core.job.JobState;
import codrane.core.pack.PackModule;
import java.util.List;
import java.util.Optional;

/**
 * The page of Baseline.
 *
 * @param lost how the vehicle was left before, against now; empty when there is nothing to compare with
 * @param begins whether a job that puts it back can be begun here
 * @param modules that can be read alone; none when this one may not read, or nothing was scanned
 */
public record BaselineView(
        long number, String vin, List<Line> kept, Optional<LostLine> lost, List<Choice> modules, boolean begins) {
    private static final int HASH = 16;

    /**
     * A stored baseline.
     *
     * @param before the whole one before it in this job, with which it is compared; 0 when there is none
     */
    public record Line(long id, String taken, String what, String purpose, String sha256, String hash, long before) {}

    /**
     * @param title of what differs; empty when no setting does
     * @param left baseline of how it was left
     */
    public record LostLine(String title, String sentence, boolean same, List<Group> groups, long left, long now) {}

    /** Settings that belong together, each as a text. */
    public record Group(String title, String settings) {}

    /** @param chosen the module that the job is about */
    public record Choice(String id, String title, boolean chosen) {}

    static BaselineView of(JobState state, Optional<Lost> lost, boolean may, boolean begins) {
        return new BaselineView(
                state.job().number(),
                state.job().vehicle().vin().text(),
                state.baselined().kept().stream().map(b -> line(state, b)).toList(),
                lost.map(l -> lost(state, l)),
                may && state.before().isPresent() ? choices(state) : List.of(),
                begins);
    }

    private static Line line(JobState state, BaselineSummary b) {
        return new Line(
                b.id(),
                state.now().dayAndTime(b.takenAt()) + ", " + b.takenBy(),
                b.whole() ? "whole vehicle" : state.pack().module(b.scope()).title(),
                b.purpose().words(),
                b.sha256(),
                b.sha256().substring(0, HASH) + "…",
                wholeBefore(state, b));
    }

    private static long wholeBefore(JobState state, BaselineSummary after) {
        if (!after.whole()) return 0;
        return state.baselined().kept().stream()
                .takeWhile(b -> b.id() != after.id())
                .filter(BaselineSummary::whole)
                .mapToLong(BaselineSummary::id)
                .reduce(0, (earlier, later) -> later);
    }

    private static LostLine lost(JobState state, Lost lost) {
        int count = lost.drift().all().size();
        String title = lost.drift().isEmpty()
                ? ""
                : count
                        + (count == 1 ? " setting is not as it was on " : " settings are not as they were on ")
                        + state.now().dayAndTime(lost.asLeft().takenAt());
        List<Group> groups = lost.drift().groups().stream()
                .map(g -> new Group(
                        g.title(),
                        String.join(
                                "; ",
                                g.lost().stream()
                                        .map(l -> l.fieldTitle() + " " + l.was() + " → " + l.is())
                                        .toList())))
                .toList();
        return new LostLine(
                title,
                lost.sentence(),
                lost.same(),
                groups,
                lost.asLeft().id(),
                lost.now().id());
    }

    private static List<Choice> choices(JobState state) {
        String about = state.replaced().map(PackModule::id).orElse("");
        return state.pack().modules().values().stream()
                .map(m -> new Choice(m.id(), m.title(), m.id().equals(about)))
                .toList();
    }
}
