package codrane.app.history;

import codrane.app.live.RunStore;
import codrane.app.workshop.Times;
import codrane.core.job.JobRun;
import codrane.core.text.Words;
import java.time.Duration;
import java.util.List;
import java.util.Optional;

/**
 * The page of all runs, newest first.
 *
 * @param said when there is none; else empty
 * @param older id under which the next page begins; empty on the last one
 */
public record RunsView(List<Line> runs, String said, Optional<Long> older) {
    /**
     * One run.
     *
     * @param mark of its end, or of its being under way
     * @param end how it ended, or where it is
     */
    public record Line(
            long job,
            String vehicle,
            String begun,
            String by,
            String took,
            String mark,
            String state,
            String end,
            Kept kept) {}

    /**
     * What is kept of a run besides.
     *
     * @param trace of what was on the wire; empty when it is not kept
     * @param lowest supply in words; empty when it is not known
     */
    public record Kept(long run, Optional<Long> trace, String lowest) {}

    static RunsView of(List<RunStore.Listed> found, boolean newest, Times times) {
        Paged<RunStore.Listed> page = Paged.of(found, listed -> listed.run().id());
        return new RunsView(
                page.rows().stream().map(listed -> line(listed, times)).toList(),
                !found.isEmpty() ? "" : newest ? "No run was begun yet." : "No run is older than that.",
                page.older());
    }

    private static Line line(RunStore.Listed listed, Times times) {
        JobRun run = listed.run();
        String took = run.span()
                .endedAt()
                .map(end -> Words.lasting(Duration.between(run.startedAt(), end).toSeconds()))
                .orElse("");
        return new Line(
                listed.job(),
                listed.vehicle().brief(),
                times.at(run.startedAt()),
                run.span().startedBy(),
                took,
                mark(run.state()),
                word(run.state()),
                run.running()
                        ? "Step " + (run.taskIndex() + 1) + " of " + run.taskCount() + ": " + run.taskTitle()
                        : run.sentence(),
                new Kept(
                        run.id(),
                        listed.kept().trace(),
                        listed.kept()
                                .millivolts()
                                .map(v -> Words.volts(v / 1000.0))
                                .orElse("")));
    }

    private static String mark(JobRun.State state) {
        return switch (state) {
            case RUNNING -> "written";
            case FINISHED -> "agrees";
            case STOPPED -> "hold";
            case INTERRUPTED -> "differs";
        };
    }

    private static String word(JobRun.State state) {
        return switch (state) {
            case RUNNING -> "under way";
            case FINISHED -> "done";
            case STOPPED -> "stopped";
            case INTERRUPTED -> "interrupted";
        };
    }
}
