package codrane.app.job;

import codrane.app.intake.IntakeForm;
import codrane.app.intake.IntakeStore;
import codrane.app.intake.Photos;
import codrane.app.records.AuditTrail;
import codrane.core.job.IntakeNotes;
import java.time.InstantSource;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** What people note about a vehicle when it arrives. */
@Component
public class IntakeActs {
    private static final Acted DONE = new Acted.Done(Optional.empty());

    private final Acts acts;
    private final IntakeStore store;
    private final Photos photos;
    private final AuditTrail audit;
    private final InstantSource time;

    IntakeActs(Acts acts, IntakeStore store, Photos photos, AuditTrail audit, InstantSource time) {
        this.acts = acts;
        this.store = store;
        this.photos = photos;
        this.audit = audit;
        this.time = time;
    }

    public Acted note(long number, IntakeForm form, String who) {
        return acts.on(number, who, "noted the arrival", facts -> {
            return switch (form.over(facts.intake())) {
                case IntakeForm.Read.Wrong(String sentence) -> refused(sentence + " Nothing was changed.");
                case IntakeForm.Read.Notes(IntakeNotes notes) -> {
                    boolean known =
                            notes.variant().isEmpty() || facts.variants().contains(notes.variant());
                    if (!known) yield refused("There is no such variant of this vehicle.");
                    store.put(facts.job().id(), notes, time.instant(), who);
                    yield DONE;
                }
            };
        });
    }

    /** Says where the replaced module is. */
    public Acted oldModule(long number, IntakeNotes.OldModule where, String who) {
        return acts.on(number, who, "said where the old module is", facts -> {
            if (facts.replaced().isEmpty()) return refused("This job replaces no module.");
            store.put(facts.job().id(), facts.intake().with(where), time.instant(), who);
            audit.record(who, "said the old module is " + where.words(), "job " + number, "");
            return DONE;
        });
    }

    /** Says which variant it is, where the VIN does not tell. */
    public Acted variant(long number, String variant, String who) {
        return acts.on(number, who, "named the variant", facts -> {
            if (!facts.variants().contains(variant)) return refused("There is no such variant of this vehicle.");
            store.put(facts.job().id(), facts.intake().withVariant(variant), time.instant(), who);
            audit.record(who, "said which variant it is", "job " + number, variant);
            return DONE;
        });
    }

    public Acted photo(long number, byte[] upload, String caption, String who) {
        return acts.on(number, who, "added a photo", facts -> {
            return photos.add(facts.job().id(), upload, caption, who)
                    .map(IntakeActs::refused)
                    .orElse(DONE);
        });
    }

    private static Acted refused(String sentence) {
        return new Acted.Refused(sentence, Optional.empty());
    }
}
