package codrane.app.stage.record;

import codrane.app.job.Room;
import codrane.app.job.Viewer;
import codrane.app.records.ChangeLedger;
import codrane.app.records.ChangeLine;
import codrane.app.tools.MenuMap;
import codrane.core.calibration.Shelved;
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

    /** A file that was got later is not what was programmed. */
    private static boolean isOfTheFile(JobState state, ChangeLedger.Change change) {
        return change.dataIdentifier() == null
                && state.calibration()
                        .map(Shelved::manifest)
                        .filter(m -> m.module().equals(change.module())
                                && m.softwareAfter().equals(change.after()))
                        .isPresent();
    }

    @Override
    public RecordView view(JobState state, Viewer viewer) {
        List<ChangeLedger.Made> made = ledger.ofJob(state.job().id());
        boolean programmed = made.stream().anyMatch(m -> isOfTheFile(state, m.change()));
        List<ChangeLine> changes = ChangeLine.of(state.pack(), made, state.now()::dayAndTime);
        return RecordView.of(state, changes, programmed, menus.ofJob(state.job().id()), viewer);
    }
}
