package codrane.app.stage.settle;

import codrane.app.job.Room;
import codrane.app.job.Viewer;
import codrane.core.job.JobState;
import codrane.core.plan.Stage;
import org.springframework.stereotype.Component;

/** The room of Settle. */
@Component
class SettleRoom implements Room {
    @Override
    public Stage stage() {
        return Stage.SETTLE;
    }

    @Override
    public SettleView view(JobState state, Viewer viewer) {
        return SettleView.of(state);
    }
}
