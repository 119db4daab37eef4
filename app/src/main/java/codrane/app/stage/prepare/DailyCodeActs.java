package codrane.app.stage.prepare;

import codrane.app.codes.CodeVault;
import codrane.app.job.Acted;
import codrane.app.job.Acts;
import codrane.app.records.AuditTrail;
import codrane.app.shelf.MakerServiceClient;
import codrane.app.shelf.MakerServiceClient.ServiceException;
import codrane.core.job.JobState;
import codrane.core.job.act.SpendingTooEarly;
import codrane.core.job.stage.PrepareStage;
import codrane.core.ready.Need;
import codrane.core.text.Words;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import java.util.function.IntConsumer;
import org.springframework.stereotype.Component;

/** The code of the day, from the maker's service: its price is asked first, it is paid for last, and it ends at midnight. */
@Component
public class DailyCodeActs {
    private static final Need.Kind KIND = Need.Kind.DAILY_CODE;

    private final Acts acts;
    private final MakerServiceClient service;
    private final CodeVault vault;
    private final AuditTrail audit;

    DailyCodeActs(Acts acts, MakerServiceClient service, CodeVault vault, AuditTrail audit) {
        this.acts = acts;
        this.service = service;
        this.vault = vault;
        this.audit = audit;
    }

    /** @param price told what it costs, in crowns */
    public Acted price(long number, IntConsumer price, String who) {
        return acts.asking(number, who, PrepareStage.ASK_DAILY, DailyCodeActs::notNeeded, asked -> {
            try {
                int crowns = service.dailyPrice(asked.pack());
                return state -> {
                    price.accept(crowns);
                    return Acted.done();
                };
            } catch (ServiceException e) {
                return state -> Acted.refused(Words.said(e));
            }
        });
    }

    /** @param agreed the price in crowns that this person saw */
    public Acted buy(long number, int agreed, String who) {
        return acts.asking(number, who, PrepareStage.BUY_DAILY, state -> tooEarly(state), asked -> {
            try {
                int crowns = service.dailyPrice(asked.pack());
                if (crowns != agreed)
                    return state -> Acted.refused(
                            "It costs " + crowns + " cr now: agree to that price first. Nothing was paid.");
                Acted kept = bought(asked, agreed, who); // paid is paid, whatever began meanwhile
                return state -> kept;
            } catch (ServiceException e) {
                return state -> Acted.refused(Words.said(e) + " Nothing was paid.");
            }
        });
    }

    private Acted bought(JobState asked, int agreed, String who) {
        try {
            return keep(asked, service.dailyCode(asked.pack(), agreed), agreed, who);
        } catch (ServiceException e) {
            if (e.cameToNothing()) return Acted.refused(Words.said(e) + " Nothing was paid.");
            audit.record(
                    who,
                    "asked for the code of the day, in vain",
                    "job " + asked.job().number(),
                    agreed + " cr");
            return Acted.refused(Words.said(e)
                    + " No code came. Whether it was paid is not known: ask the maker before you buy again.");
        }
    }

    private static Optional<Acted> notNeeded(JobState state) {
        boolean needed =
                state.readiness().stream().flatMap(r -> r.needs().stream()).anyMatch(n -> n.kind() == KIND);
        return needed ? Optional.empty() : Optional.of(Acted.refused("The plan needs no such code."));
    }

    private static Optional<Acted> tooEarly(JobState state) {
        Optional<Acted> none = notNeeded(state);
        if (none.isPresent()) return none;
        if (state.prepared().codesHere(state.now()).contains(KIND))
            return Optional.of(Acted.refused("Today's code is here already. Nothing was paid."));
        List<String> open = SpendingTooEarly.open(state);
        return open.isEmpty()
                ? Optional.empty()
                : Optional.of(Acted.refused(
                        "Nothing that costs is got before these are kept: " + String.join("; ", open) + "."));
    }

    private Acted keep(JobState state, MakerServiceClient.Daily bought, int price, String who) {
        LocalDate today = LocalDate.ofInstant(state.now().at(), ZoneOffset.UTC);
        String job = "job " + state.job().number();
        if (!bought.day().equals(today)) {
            audit.record(who, "paid for a code of another day", job, price + " cr, " + bought.day());
            return Acted.refused("The service of " + state.pack().maker() + " sent the code of "
                    + Words.day(bought.day()) + " for " + price
                    + " cr. It is not kept: the vehicle would count it as a wrong one. Ask the maker.");
        }
        vault.keep(new CodeVault.Owner(state.job().id(), state.job().number()), KIND, bought.code(), who);
        audit.record(who, "bought the code of the day", job, price + " cr");
        return Acted.done();
    }
}
