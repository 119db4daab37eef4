package codrane.app.stage.baseline;

import codrane.app.baseline.Baselines;
import codrane.app.baseline.LostSettings;
import codrane.app.job.Gathering;
import codrane.app.job.Room;
import codrane.app.job.Viewer;
import codrane.core.baseline.BaselineSummary;
import codrane.core.job.Baselined;
import codrane.core.job.JobState;
import codrane.core.job.stage.BaselineStage;
import codrane.core.plan.JobKind;
import codrane.core.plan.Stage;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Component;

/** The room of Baseline. */
@Component
class BaselineRoom implements Room {
    private final Baselines baselines;
    private final LostSettings lost;

    BaselineRoom(Baselines baselines, LostSettings lost) {
        this.baselines = baselines;
        this.lost = lost;
    }

    @Override
    public Stage stage() {
        return Stage.BASELINE;
    }

    @Override
    public Map<Long, Baselined> gather(Gathering asked) {
        Map<Long, List<BaselineSummary>> kept = baselines.ofJobs(asked.ids());
        return asked.each(a -> new Baselined(
                kept.getOrDefault(a.job().id(), List.of()),
                baselines::file,
                () -> baselines.sources(a.job(), a.pack().id())));
    }

    @Override
    public BaselineView view(JobState state, Viewer viewer) {
        boolean begins = viewer.mayBegin() && state.job().kind() != JobKind.FIND_LOST_SETTING; // which puts back itself
        boolean reads = viewer.may(state.job().number(), "baseline")
                && state.job().closedAt().isEmpty()
                && BaselineStage.STORE.stop(state).isEmpty();
        return BaselineView.of(state, lost.of(state), reads, begins);
    }
}
