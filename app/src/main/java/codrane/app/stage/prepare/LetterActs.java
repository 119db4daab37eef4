package codrane.app.stage.prepare;

import codrane.app.job.Acted;
import codrane.app.job.Acts;
import codrane.app.notes.Notes;
import codrane.app.records.AuditTrail;
import codrane.app.shelf.MailRoom;
import codrane.app.shelf.MakerServiceClient.ServiceException;
import codrane.app.workshop.CodraneSettings;
import codrane.core.job.JobState;
import codrane.core.job.PlanFacts;
import codrane.core.job.Scan;
import codrane.core.job.act.SpendingTooEarly;
import codrane.core.job.stage.PrepareStage;
import codrane.core.pack.PackModule.Ident;
import codrane.core.ready.Letter;
import codrane.core.ready.Need;
import codrane.core.ready.Noted;
import codrane.core.ready.RequestLetter;
import codrane.core.scan.ModuleReading;
import codrane.core.text.Words;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import org.springframework.stereotype.Component;

/** Requests by mail: drafted, handed to the maker's mail room, and answered. */
@Component
public class LetterActs {
    private final Acts acts;
    private final Letters letters;
    private final Notes notes;
    private final PrepareActs prepares;
    private final MailRoom mail;
    private final CodraneSettings settings;
    private final AuditTrail audit;

    LetterActs(
            Acts acts,
            Letters letters,
            Notes notes,
            PrepareActs prepares,
            MailRoom mail,
            CodraneSettings settings,
            AuditTrail audit) {
        this.acts = acts;
        this.letters = letters;
        this.notes = notes;
        this.prepares = prepares;
        this.mail = mail;
        this.settings = settings;
        this.audit = audit;
    }

    public Acted draft(long number, String module, String who) {
        return acts.on(number, who, PrepareStage.DRAFT, state -> {
            if (!state.job().replacedModule().equals(Optional.of(module)))
                return Acted.refused("Nothing of this is asked for by mail.");
            Scan scan = state.before().orElseThrow();
            ModuleReading reading = scan.readings().getOrDefault(module, ModuleReading.silent(module));
            RequestLetter letter = RequestLetter.file(
                    number,
                    state.vehicleFacts(scan),
                    module,
                    PlanFacts.offered(state, scan),
                    reading.text(Ident.HARDWARE).orElse(""),
                    settings.workshop());
            letters.draft(state.job().id(), module, letter, who);
            audit.record(who, "drafted a letter", "job " + number, letter.reference());
            return Acted.done();
        });
    }

    /**
     * Hands the letter to the maker's mail room. What costs waits for its hold points. Within the transaction, so that it
     * is sent once whoever presses.
     */
    public Acted send(long number, String module, String who) {
        return acts.on(number, who, PrepareStage.SEND, state -> {
            Optional<Letter> letter = state.prepared().letter(module);
            if (letter.isEmpty()) return Acted.refused("Draft the letter first.");
            if (letter.get().sentAt().isPresent()) return Acted.refused("It was sent already.");
            List<String> open = SpendingTooEarly.open(state);
            if (!open.isEmpty())
                return Acted.refused("Not sent before these are kept: " + String.join("; ", open) + ".");
            Letter.Text text = letter.get().text();
            try {
                mail.send(state.pack(), module, text.subject(), text.body(), text.reference());
            } catch (ServiceException e) {
                return Acted.refused(e.getMessage()
                        + (e.cameToNothing()
                                ? " The letter was not sent."
                                : " Whether the letter arrived is not known: send it again, under the same reference it"
                                        + " counts once."));
            }
            return sent(state, letter.get(), who);
        });
    }

    private Acted sent(JobState state, Letter letter, String who) {
        Instant now = state.now().at();
        Instant due = state.readiness().stream()
                .flatMap(r -> r.needs().stream())
                .filter(n -> n.kind() == Need.Kind.FILE && n.what().equals(letter.module()))
                .findFirst()
                .map(n -> now.plus(n.lead()))
                .orElse(now);
        letters.sent(letter, due);
        Noted noted = new Noted(false, Optional.of(due), "Asked for under " + letter.reference());
        notes.put(state.job().id(), NeedStored.KIND, key(letter), NeedStored.of(noted), who);
        audit.record(who, "sent a letter", "job " + state.job().number(), letter.reference());
        return Acted.done();
    }

    private static String key(Letter letter) {
        return Need.Kind.FILE.key() + ":" + letter.module();
    }

    /**
     * Looks for the answer; what arrived is checked like any file, and then belongs to the job. A letter that the mail room
     * does not know is one that was not sent.
     */
    public Acted look(long number, String module, String who) {
        try (MailRoom.Delivery delivery = mail.delivery()) {
            return acts.asking(number, who, PrepareStage.LOOK, state -> notAwaited(state, module), asked -> {
                Letter letter = asked.prepared().letter(module).orElseThrow();
                try {
                    return answered(asked, letter, delivery.of(letter.reference()), who);
                } catch (ServiceException e) {
                    return state -> Acted.refused(Words.said(e));
                }
            });
        }
    }

    private Function<JobState, Acted> answered(JobState asked, Letter letter, MailRoom.Answer answer, String who) {
        return switch (answer) {
            case MailRoom.Answer.NotYet() ->
                state -> Acted.refused("No answer to " + letter.reference() + " yet. Expected "
                        + letter.dueAt().map(state.now()::soon).orElse("soon") + ".");
            case MailRoom.Answer.Unknown() ->
                state -> notAwaited(state, letter.module()).orElseGet(() -> lost(state, letter, who));
            case MailRoom.Answer.Arrived file -> {
                Function<JobState, Acted> upload = prepares.taken(asked, file.content(), who);
                yield state -> notAwaited(state, letter.module())
                        .or(() -> PrepareStage.UPLOAD.stop(state).map(Acted::refused)) // as any file that is taken
                        .orElseGet(() -> arrived(state, letter, file, upload.apply(state)));
            }
        };
    }

    private Acted lost(JobState state, Letter letter, String who) {
        letters.lost(letter);
        notes.forget(state.job().id(), NeedStored.KIND, key(letter));
        audit.record(who, "found a letter lost", "job " + state.job().number(), letter.reference());
        return Acted.done();
    }

    private static Optional<Acted> notAwaited(JobState state, String module) {
        Optional<Letter> letter = state.prepared().letter(module);
        if (letter.isEmpty() || letter.get().sentAt().isEmpty())
            return Optional.of(Acted.refused("Nothing was asked for."));
        return letter.get().arrivedAt().map(at -> Acted.refused("It arrived already."));
    }

    private Acted arrived(JobState state, Letter letter, MailRoom.Answer.Arrived answer, Acted taken) {
        if (taken instanceof Acted.Refused(String sentence, var ignored))
            return Acted.refused("An answer arrived, and its file is not taken: " + sentence);
        letters.arrived(letter, answer.name());
        notes.forget(state.job().id(), NeedStored.KIND, key(letter));
        return Acted.done();
    }
}
