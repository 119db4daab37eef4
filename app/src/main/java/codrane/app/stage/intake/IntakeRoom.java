package codrane.app.stage.intake;

import codrane.app.job.Gathering;
import codrane.app.job.Room;
import codrane.app.job.Viewer;
import codrane.app.notes.Note;
import codrane.app.parts.PartsHere;
import codrane.app.photos.Photos;
import codrane.core.job.IntakeNotes;
import codrane.core.job.JobState;
import codrane.core.plan.Stage;
import java.util.Map;
import org.springframework.stereotype.Component;

/** The room of Intake. */
@Component
class IntakeRoom implements Room {
    private final Photos photos;
    private final Hands hands;
    private final PartsHere parts;

    IntakeRoom(Photos photos, Hands hands, PartsHere parts) {
        this.parts = parts;
        this.hands = hands;
        this.photos = photos;
    }

    @Override
    public Stage stage() {
        return Stage.INTAKE;
    }

    @Override
    public Map<Long, IntakeNotes> gather(Gathering asked) {
        return asked.each(a -> asked.note(a.job(), IntakeStored.KIND)
                .map(Note.Read::content)
                .map(IntakeStored::notes)
                .orElse(IntakeNotes.NONE));
    }

    @Override
    public IntakeView view(JobState state, Viewer viewer) {
        return IntakeView.of(state, hands.all(), photos.of(state.job().id()), parts.hereFor(state), viewer);
    }
}
