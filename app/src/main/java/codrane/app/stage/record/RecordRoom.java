package codrane.app.stage.record;

import codrane.app.job.Room;
import codrane.app.job.Viewer;
import codrane.app.records.ChangeLedger;
import codrane.app.records.ChangeLine;
import codrane.app.tools.MenuMap;
import codrane.core.job.JobState;
import codrane.core.plan.Stage;
import java.util.List;
import org.springframework.stereotype.Component;

/** The room of Record. */
@Component
class RecordRoom implements Room {
    private final ChangeLedger ledger;
    private final MenuMap menus;

    RecordRoom(ChangeLedger ledger, MenuMap menus) {
        this.ledger = ledger;
        this.menus = menus;
    }

    @Override
    public Stage stage() {
        return Stage.RECORD;
    }

    @Override
    public RecordView view(JobState state, Viewer viewer) {
        List<ChangeLine> changes =
                ChangeLine.of(state.pack(), ledger.ofJob(state.job().id()), state.now()::dayAndTime);
        return RecordView.of(state, changes, menus.ofJob(state.job().id()), viewer);
    }
}
