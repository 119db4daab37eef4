package codrane.app.stage.prove;

import codrane.app.job.Room;
import codrane.app.job.Viewer;
import codrane.core.job.JobState;
import codrane.core.plan.Stage;
import org.springframework.stereotype.Component;

/** The room of Prove. */
@Component
class ProveRoom implements Room {
    @Override
    public Stage stage() {
        return Stage.PROVE;
    }

    @Override
    public ProveView view(JobState state, Viewer viewer) {
        return ProveView.of(state);
    }
}
