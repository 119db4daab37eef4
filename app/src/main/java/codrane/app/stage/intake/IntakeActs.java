package codrane.app.stage.intake;

import codrane.app.job.Acted;
import codrane.app.job.Acts;
import codrane.app.notes.Notes;
import codrane.app.photos.Photos;
import codrane.app.records.AuditTrail;
import codrane.core.job.IntakeNotes;
import codrane.core.job.JobState;
import codrane.core.job.stage.IntakeStage;
import org.springframework.stereotype.Component;

/** What people note about a vehicle when it arrives. */
@Component
public class IntakeActs {
    private final Acts acts;
    private final Notes notes;
    private final Photos photos;
    private final AuditTrail audit;
    private final Hands hands;

    IntakeActs(Acts acts, Notes notes, Photos photos, AuditTrail audit, Hands hands) {
        this.hands = hands;
        this.acts = acts;
        this.notes = notes;
        this.photos = photos;
        this.audit = audit;
    }

    public Acted note(long number, IntakeForm form, String who) {
        return acts.on(number, who, IntakeStage.NOTE, state -> switch (form.over(state.intake(), hands.all())) {
            case IntakeForm.Read.Wrong(String sentence) -> Acted.refused(sentence + " Nothing was changed.");
            case IntakeForm.Read.Notes(IntakeNotes typed) -> {
                boolean known = typed.variant().isEmpty() || state.variants().contains(typed.variant());
                if (!known) yield Acted.refused("There is no such variant of this vehicle.");
                yield keep(state, typed, who);
            }
        });
    }

    private Acted keep(JobState state, IntakeNotes intake, String who) {
        notes.put(state.job().id(), IntakeStored.KIND, IntakeStored.of(intake), who);
        return Acted.done();
    }

    /** Says where the replaced module is. */
    public Acted oldModule(long number, IntakeNotes.OldModule where, String who) {
        return acts.on(number, who, IntakeStage.OLD_MODULE, state -> {
            audit.record(who, "said the old module is " + where.words(), "job " + number, "");
            return keep(state, state.intake().with(where), who);
        });
    }

    /** Says which variant it is, where the VIN does not tell. */
    public Acted variant(long number, String variant, String who) {
        return acts.on(number, who, IntakeStage.VARIANT, state -> {
            if (!state.variants().contains(variant)) return Acted.refused("There is no such variant of this vehicle.");
            audit.record(who, "said which variant it is", "job " + number, variant);
            return keep(state, state.intake().withVariant(variant), who);
        });
    }

    public Acted photo(long number, byte[] upload, String caption, String who) {
        return acts.on(
                number,
                who,
                IntakeStage.PHOTO,
                state -> photos.add(state.job().id(), upload, caption, who)
                        .map(Acted::refused)
                        .orElseGet(Acted::done));
    }
}
