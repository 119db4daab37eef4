package codrane.app.stage.identify;

import codrane.app.job.Acted;
import codrane.app.job.Acts;
import codrane.app.notes.Notes;
import codrane.core.job.stage.IdentifyStage;
import org.springframework.stereotype.Component;

/** Physical reasons of faults: looked at again at the end. */
@Component
public class FaultActs {
    private static final int LONGEST_NOTE = 200;

    private final Acts acts;
    private final Notes notes;

    FaultActs(Acts acts, Notes notes) {
        this.acts = acts;
        this.notes = notes;
    }

    public Acted note(long number, String module, String code, String note, String who) {
        return acts.on(number, who, IdentifyStage.NOTE_FAULT, state -> {
            boolean known = state.faultsBefore().stream()
                    .anyMatch(f -> f.module().equals(module) && f.code().text().equals(code));
            if (!known) return Acted.refused("This fault was not read in this job.");
            if (note.isBlank() || note.length() > LONGEST_NOTE)
                return Acted.refused("Say the reason, in at most 200 characters.");
            FaultStored stored = new FaultStored(module, code, note.strip());
            notes.put(state.job().id(), FaultStored.KIND, FaultStored.subject(module, code), stored, who);
            return Acted.done();
        });
    }
}
