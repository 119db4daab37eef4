package codrane.app.stage.identify;

import codrane.app.baseline.Baselines;
import codrane.app.job.Gathering;
import codrane.app.job.Room;
import codrane.app.job.Viewer;
import codrane.core.job.Identified;
import codrane.core.job.JobState;
import codrane.core.job.Scan;
import codrane.core.plan.Stage;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Component;

/** The room of Identify. */
@Component
class IdentifyRoom implements Room {
    private final ScanStore scans;
    private final Baselines baselines;

    IdentifyRoom(ScanStore scans, Baselines baselines) {
        this.scans = scans;
        this.baselines = baselines;
    }

    @Override
    public Stage stage() {
        return Stage.IDENTIFY;
    }

    @Override
    public Map<Long, Identified> gather(Gathering asked) {
        Map<Long, List<Scan>> all = scans.of(asked.ids());
        return asked.each(a -> new Identified(
                all.getOrDefault(a.job().id(), List.of()),
                asked.notes(a.job(), FaultStored.KIND).stream()
                        .map(FaultStored::note)
                        .toList()));
    }

    @Override
    public IdentifyView view(JobState state, Viewer viewer) {
        return IdentifyView.of(state, new Signs(baselines), viewer);
    }
}
