package codrane.app.sound;

import codrane.app.interfaces.ControlPortClient;
import codrane.app.interfaces.Interfaces;
import codrane.app.job.Acted;
import codrane.app.job.Acts;
import codrane.app.notes.Note;
import codrane.app.notes.Notes;
import codrane.app.records.AuditTrail;
import codrane.core.job.JobState;
import codrane.core.job.stage.DecideStage;
import codrane.core.plan.JobKind;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** What was measured of how a vehicle sounds. */
@Component
class SoundActs {
    private static final int LONGEST_NAME = 32;
    private static final int MOST = 12;
    private static final int LONGEST_TEXT = 1 << 20;
    private static final Acted OTHER_WORK = Acted.refused("This job is not about how the vehicle sounds.");

    private final Acts acts;
    private final Notes notes;
    private final Interfaces interfaces;
    private final AuditTrail audit;

    SoundActs(Acts acts, Notes notes, Interfaces interfaces, AuditTrail audit) {
        this.acts = acts;
        this.notes = notes;
        this.interfaces = interfaces;
        this.audit = audit;
    }

    /** @param text rows of {@code hz,db} */
    Acted measured(long number, String name, String text, String who) {
        return acts.on(number, who, DecideStage.SOUND, state -> {
            if (text.length() > LONGEST_TEXT) return Acted.refused("At most 1 MB: third octaves are enough.");
            try {
                return keep(state, name, ResponseStored.of("from a file", ResponseCsv.read(text)), who);
            } catch (IllegalArgumentException e) {
                return Acted.refused("That is no measured response: " + e.getMessage() + ". Nothing was kept.");
            }
        });
    }

    /** Listens with the microphone that belongs to a simulated interface. */
    Acted listen(long number, String name, String who) {
        return acts.asking(number, who, DecideStage.SOUND, state -> Optional.empty(), asked -> {
            Optional<ControlPortClient.Heard> heard =
                    interfaces.of(asked.pack()).flatMap(bench -> bench.control().listen());
            return state -> heard(state, name, heard, who);
        });
    }

    private Acted heard(JobState state, String name, Optional<ControlPortClient.Heard> heard, String who) {
        if (heard.isEmpty())
            return Acted.refused("Nothing was heard: is this vehicle on the cable, and does it announce anything?");
        if (!heard.get().vin().equals(state.job().vin().text()))
            return Acted.refused("Another vehicle is on the cable: plug into this one first.");
        return keep(
                state,
                name,
                ResponseStored.of("with the simulated microphone", heard.get().response()),
                who);
    }

    private Acted keep(JobState state, String name, ResponseStored stored, String who) {
        if (state.job().kind() != JobKind.CHOOSE_VARIANT) return OTHER_WORK;
        if (name.isBlank() || name.length() > LONGEST_NAME)
            return Acted.refused("Say in at most 32 characters what was heard: the variant, and where.");
        long others = measured(state.job().id()).stream()
                .filter(m -> !m.subject().equals(name.strip()))
                .count();
        if (others >= MOST) return Acted.refused("At most 12 are compared: take one out first.");
        notes.put(state.job().id(), ResponseStored.KIND, name.strip(), stored, who);
        audit.record(who, "measured how it sounds", "job " + state.job().number(), name.strip() + ", " + stored.how());
        return Acted.done();
    }

    /** @param variant of the module; empty when the seller says nothing */
    Acted advised(long number, String variant, String who) {
        return acts.on(number, who, DecideStage.SOUND, state -> {
            if (state.job().kind() != JobKind.CHOOSE_VARIANT) return OTHER_WORK;
            Optional<SoundVariant> known = SoundVariant.of(state.pack());
            if (!variant.isEmpty()
                    && known.filter(k -> k.values().contains(variant)).isEmpty())
                return Acted.refused("The module has no such variant: "
                        + known.map(k -> "it has " + String.join(", ", k.values()) + ".")
                                .orElse("it has none."));
            notes.put(state.job().id(), SellerStored.KIND, new SellerStored(variant), who);
            return Acted.done();
        });
    }

    String seller(long jobId) {
        return notes.of(jobId, SellerStored.KIND).stream()
                .findFirst()
                .map(note -> note.content().advises())
                .orElse("");
    }

    /** In the order in which they were first measured. */
    List<Note.Read<ResponseStored>> measured(long jobId) {
        return notes.of(jobId, ResponseStored.KIND);
    }

    Acted forget(long number, String name, String who) {
        return acts.on(number, who, DecideStage.SOUND, state -> {
            notes.forget(state.job().id(), ResponseStored.KIND, name);
            return Acted.done();
        });
    }
}
