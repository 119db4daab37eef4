package codrane.app.stage.run;

import codrane.app.job.Gathering;
import codrane.app.job.Room;
import codrane.app.job.Viewer;
import codrane.app.live.RunStore;
import codrane.app.live.RunTimes;
import codrane.app.live.TraceStore;
import codrane.app.notes.Notes;
import codrane.core.job.Job;
import codrane.core.job.JobRun;
import codrane.core.job.JobState;
import codrane.core.job.Ran;
import codrane.core.plan.Stage;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** The room of Run. */
@Component
class RunRoom implements Room {
    private static final int JOURNAL_ROWS = 120;

    private final RunStore runs;
    private final RunTimes times;
    private final TraceStore traces;
    private final Notes notes;

    RunRoom(RunStore runs, RunTimes times, TraceStore traces, Notes notes) {
        this.notes = notes;
        this.times = times;
        this.runs = runs;
        this.traces = traces;
    }

    @Override
    public Stage stage() {
        return Stage.RUN;
    }

    @Override
    public Map<Long, Ran> gather(Gathering asked) {
        Map<Long, JobRun> last = runs.latest(asked.ids());
        return asked.each(a -> new Ran(Optional.ofNullable(last.get(a.job().id()))));
    }

    /** A run goes on without anybody. */
    @Override
    public Map<Long, ?> moved(List<Job> jobs) {
        return runs.latest(jobs.stream().map(Job::id).toList());
    }

    @Override
    public RunView view(JobState state, Viewer viewer) {
        List<RunStore.JournalRow> journal =
                state.run().map(r -> runs.journal(r.id(), JOURNAL_ROWS)).orElse(List.of());
        boolean traced = state.run().map(r -> traces.has(r.id())).orElse(false);
        return RunView.of(state, journal, traced, RehearsalStored.of(state, notes), score(state), viewer);
    }

    private Optional<RunScore> score(JobState state) {
        if (state.plan().isEmpty()) return Optional.empty();
        RunPieces pieces = RunPieces.of(
                state,
                times.learned(
                        state.pack().id(),
                        RunPieces.programmed(state),
                        state.run().map(JobRun::id).orElse(Long.MAX_VALUE)));
        RunCourse course = state.run()
                .map(r -> RunCourse.of(
                        pieces, times.of(r.id()), r.endedAt().orElse(state.now().at())))
                .orElse(RunCourse.NONE);
        return Optional.of(RunScore.of(pieces, course));
    }
}
