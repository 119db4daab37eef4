package codrane.app.stage.settle;

import codrane.app.job.Gathering;
import codrane.app.job.Room;
import codrane.app.job.Viewer;
import codrane.core.job.JobState;
import codrane.core.job.Rested;
import codrane.core.plan.Stage;
import java.util.Map;
import org.springframework.stereotype.Component;

/** The room of Settle. */
@Component
class SettleRoom implements Room {
    @Override
    public Stage stage() {
        return Stage.SETTLE;
    }

    @Override
    public Map<Long, Rested> gather(Gathering asked) {
        return asked.each(a -> new Rested(asked.note(a.job(), SleepStored.KIND)
                .map(note -> new Rested.Look(
                        note.at(), note.content().asleep(), note.content().sentence()))));
    }

    @Override
    public SettleView view(JobState state, Viewer viewer) {
        return SettleView.of(state);
    }
}
