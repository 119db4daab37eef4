package codrane.app.job;

import codrane.app.CodraneSettings;
import codrane.app.Times;
import codrane.app.decide.NeedStore;
import codrane.app.records.AuditTrail;
import codrane.app.shelf.MailRoom;
import codrane.app.shelf.MakerServiceClient.ServiceException;
import codrane.core.job.Scan;
import codrane.core.pack.PackModule.Ident;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.Stage;
import codrane.core.ready.Letter;
import codrane.core.ready.Need;
import codrane.core.ready.Noted;
import codrane.core.ready.Readiness;
import codrane.core.ready.RequestLetter;
import codrane.core.scan.ModuleReading;
import java.time.Instant;
import java.time.InstantSource;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** What a plan needs: said to be here, asked for, and requests by mail. */
@Component
public class NeedActs {
    private static final Acted DONE = new Acted.Done(Optional.empty());
    private static final int OPENS_AT = 10;

    private final Acts acts;
    private final NeedStore store;
    private final PrepareActs prepares;
    private final MailRoom mail;
    private final CodraneSettings settings;
    private final AuditTrail audit;
    private final InstantSource time;

    NeedActs(
            Acts acts,
            NeedStore store,
            PrepareActs prepares,
            MailRoom mail,
            CodraneSettings settings,
            AuditTrail audit,
            InstantSource time) {
        this.acts = acts;
        this.store = store;
        this.prepares = prepares;
        this.mail = mail;
        this.settings = settings;
        this.audit = audit;
        this.time = time;
    }

    /** What stands before spending anything: open hold points, in words; none when it may be spent. */
    static List<String> beforeSpending(JobFacts facts) {
        return Readiness.beforeSpending().stream()
                .filter(p -> !facts.progress().passed(p))
                .map(HoldPoint::title)
                .toList();
    }

    /**
     * Says that something is here, or was asked for.
     *
     * @param due day on which it is expected, as a date; empty when it is here
     */
    public Acted note(long number, String key, boolean here, String due, String detail, String who) {
        return acts.on(number, who, Stage.PREPARE, "noted a need", facts -> {
            if (facts.runHolds())
                return refused("A run is under way or waits to be recovered: its needs stay as they are.");
            Optional<Need> need = facts.readiness().stream()
                    .flatMap(r -> r.needs().stream())
                    .filter(n -> n.key().equals(key))
                    .findFirst();
            if (need.isEmpty()) return refused("The plan needs no such thing.");
            boolean keys = need.get().kind() == Need.Kind.KEYS;
            if (!need.get().kind().noted() && !keys)
                return refused("Whether that is here is found by Codrane, not said.");
            List<String> open = beforeSpending(facts);
            if (need.get().costs() && !here && !open.isEmpty())
                return refused(
                        "Nothing that costs is asked for before these are kept: " + String.join("; ", open) + ".");
            if (detail.length() > 200) return refused("At most 200 characters.");
            if (keys && detail.strip().length() < 5)
                return refused("Say in a few words why the missing keys are given up.");
            Optional<Instant> at = Optional.empty();
            if (!here) {
                at = day(due);
                if (at.isEmpty()) return refused("Say on which day it is expected, today or later.");
            }
            store.note(facts.job().id(), key, new Noted(here, at, detail.strip()), time.instant(), who);
            audit.record(who, here ? "said is here" : "asked for", "job " + number, key + " " + detail.strip());
            return DONE;
        });
    }

    private Optional<Instant> day(String text) {
        ZoneId zone = ZoneId.systemDefault();
        return Times.dayFrom(LocalDate.ofInstant(time.instant(), zone), text)
                .map(day -> day.atTime(LocalTime.of(OPENS_AT, 0)).atZone(zone).toInstant());
    }

    public Acted forget(long number, String key, String who) {
        return acts.on(number, who, Stage.PREPARE, "took a need back", facts -> {
            if (facts.runHolds())
                return refused("A run is under way or waits to be recovered: its needs stay as they are.");
            store.forget(facts.job().id(), key);
            audit.record(who, "took back", "job " + number, key);
            return DONE;
        });
    }

    public Acted draft(long number, String module, String who) {
        return acts.on(number, who, Stage.PREPARE, "drafted a letter", facts -> {
            if (!NextNeedAct.byMail(facts) || !facts.job().replacedModule().equals(Optional.of(module)))
                return refused("Nothing of this is asked for by mail.");
            if (facts.plan().isEmpty() || facts.before().isEmpty())
                return refused("Decide first: the plan says what is needed.");
            Scan scan = facts.before().get();
            ModuleReading reading = scan.readings().getOrDefault(module, ModuleReading.silent(module));
            RequestLetter letter = RequestLetter.file(
                    number,
                    facts.vehicleFacts(scan),
                    module,
                    PlanFacts.offered(facts, scan),
                    reading.text(Ident.HARDWARE).orElse(""),
                    settings.workshop());
            store.draft(facts.job().id(), module, letter, time.instant(), who);
            audit.record(who, "drafted a letter", "job " + number, letter.reference());
            return DONE;
        });
    }

    /** Hands the letter to the maker's mail room. What costs waits for its hold points. */
    public Acted send(long number, String module, String who) {
        return acts.on(number, who, Stage.PREPARE, "sent a letter", facts -> {
            Optional<Letter> letter = facts.decided().letter(module);
            if (letter.isEmpty()) return refused("Draft the letter first.");
            if (letter.get().sentAt().isPresent()) return refused("It was sent already.");
            List<String> open = beforeSpending(facts);
            if (!open.isEmpty()) return refused("Not sent before these are kept: " + String.join("; ", open) + ".");
            try {
                mail.send(
                        facts.pack(),
                        module,
                        letter.get().subject(),
                        letter.get().body(),
                        letter.get().reference());
            } catch (ServiceException e) {
                return refused(e.getMessage() + " The letter was not sent.");
            }
            Instant now = time.instant();
            Instant due = facts.readiness().stream()
                    .flatMap(r -> r.needs().stream())
                    .filter(n -> n.kind() == Need.Kind.FILE && n.what().equals(module))
                    .findFirst()
                    .map(n -> now.plus(n.lead()))
                    .orElse(now);
            store.sent(letter.get().id(), now, due);
            store.note(
                    facts.job().id(),
                    Need.Kind.FILE.key() + ":" + module,
                    new Noted(
                            false,
                            Optional.of(due),
                            "Asked for under " + letter.get().reference()),
                    now,
                    who);
            audit.record(who, "sent a letter", "job " + number, letter.get().reference());
            return DONE;
        });
    }

    /** Looks for the answer; what arrived is checked like any file, and then belongs to the job. */
    public Acted look(long number, String module, String who) {
        return acts.on(number, who, Stage.PREPARE, "looked for an answer", facts -> {
            Optional<Letter> letter = facts.decided().letter(module);
            if (letter.isEmpty() || letter.get().sentAt().isEmpty()) return refused("Nothing was asked for.");
            if (letter.get().arrivedAt().isPresent()) return refused("It arrived already.");
            try {
                Optional<MailRoom.Arrived> arrived = mail.answer(letter.get().reference());
                if (arrived.isEmpty())
                    return refused("No answer to " + letter.get().reference() + " yet. Expected "
                            + letter.get().dueAt().map(NextNeedAct::day).orElse("soon") + ".");
                Acted taken = prepares.uploadCalibration(
                        number, arrived.get().content().toArray(), who);
                if (taken instanceof Acted.Refused(String sentence, var ignored))
                    return refused("An answer arrived, and its file is not taken: " + sentence);
                store.arrived(letter.get().id(), arrived.get().name(), time.instant());
                store.forget(facts.job().id(), Need.Kind.FILE.key() + ":" + module);
                return DONE;
            } catch (ServiceException e) {
                return refused(e.getMessage());
            }
        });
    }

    private static Acted refused(String sentence) {
        return new Acted.Refused(sentence, Optional.empty());
    }
}
