package codrane.app.stage.decide;

import codrane.app.records.ChangeLedger;
import codrane.core.baseline.Undo;
import codrane.core.job.JobState;
import codrane.core.job.PlanBasis;
import codrane.core.job.Scan;
import codrane.core.plan.JobKind;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** What this workshop changed in a job's vehicle, to be put back. */
@Component
class UndoSets {
    private final ChangeLedger ledger;

    UndoSets(ChangeLedger ledger) {
        this.ledger = ledger;
    }

    /** Empty when the job changes no settings by name, or nothing was changed before. */
    Optional<Undo> of(JobState state) {
        JobKind kind = state.job().kind();
        boolean settings = kind == JobKind.CHANGE_SETTING || kind == JobKind.SCALED_VALUE;
        Optional<Scan> now = PlanBasis.newest(state);
        if (!settings || now.isEmpty()) return Optional.empty();
        List<ChangeLedger.Made> made = ledger.ofVehicle(state.job().vehicleId());
        List<Undo.Written> written = made.reversed().stream()
                .filter(m -> m.jobId() != state.job().id())
                .map(ChangeLedger.Made::change)
                .map(c -> new Undo.Written(
                        c.module(),
                        c.what(),
                        Optional.ofNullable(c.dataIdentifier()),
                        c.before(),
                        c.after(),
                        c.software()))
                .toList();
        if (written.isEmpty()) return Optional.empty();
        Undo undo = Undo.of(state.pack(), written, now.get().readings());
        return Optional.of(made.size() < ChangeLedger.MOST_OF_VEHICLE ? undo : undo.cut(made.size()));
    }
}
