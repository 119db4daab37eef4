package codrane.app.stage.prepare;

import codrane.app.job.Viewer;
import codrane.core.coding.Layout;
import codrane.core.job.JobState;
import codrane.core.job.ReferenceCoding;
import codrane.core.job.ReferenceCoding.Line;
import codrane.core.pack.Places;
import codrane.core.text.Words;
import java.util.List;
import java.util.Optional;

/**
 * A coding that is put together from other readings, with what a person has to say.
 *
 * @param said how it stands, in words
 * @param blocks in which something is to be judged
 * @param sure where all sources agree
 */
public record GapsView(String title, String said, List<Block> blocks, List<Sure> sure, boolean may) {
    public record Block(String title, List<Gap> gaps) {}

    /** @param place its first byte, as lines are counted */
    public record Gap(String key, String title, String place, boolean judged, List<Choice> choices) {}

    public record Choice(String value, String source, boolean chosen) {}

    public record Sure(String title, String value, String source) {}

    static Optional<GapsView> of(JobState state, Viewer viewer) {
        return ReferenceCoding.of(state).map(coding -> of(state, coding, viewer));
    }

    private static GapsView of(JobState state, ReferenceCoding coding, Viewer viewer) {
        List<Line> gaps = coding.gaps();
        int sure = coding.lines().size() - gaps.size();
        return new GapsView(
                "The coding of the " + coding.module().lowerTitle() + ", put together",
                Words.count(coding.lines().size(), "setting") + "; for " + sure + " all sources agree. "
                        + coding.missing()
                                .orElse(
                                        gaps.isEmpty()
                                                ? "There is no gap."
                                                : "Every gap is judged: " + Words.count(gaps.size(), "setting") + "."),
                state.packWritten().blocksOf(coding.module()).stream()
                        .map(layout -> block(state, coding, layout))
                        .filter(block -> !block.gaps().isEmpty())
                        .toList(),
                coding.lines().stream()
                        .filter(line -> !line.gap())
                        .map(line -> new Sure(
                                line.field().title(),
                                line.options().getFirst().value(),
                                line.options().getFirst().source()))
                        .toList(),
                viewer.may(state.job().number(), "gaps") && !state.runHolds());
    }

    private static Block block(JobState state, ReferenceCoding coding, Layout layout) {
        return new Block(
                layout.title(),
                coding.gaps().stream()
                        .filter(line -> line.layout().id().equals(layout.id()))
                        .map(line -> gap(state, coding, line))
                        .toList());
    }

    private static Gap gap(JobState state, ReferenceCoding coding, Line line) {
        return new Gap(
                line.key(),
                line.field().title(),
                Places.of(
                        state.pack(),
                        coding.module(),
                        line.layout().id(),
                        line.field().at() / 8),
                line.judged().isPresent(),
                line.options().stream()
                        .map(o -> new Choice(
                                o.value(),
                                o.source(),
                                line.judged().filter(o.value()::equals).isPresent()))
                        .toList());
    }
}
