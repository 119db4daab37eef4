package codrane.app.stage.prepare;

import codrane.app.job.Acted;
import codrane.app.job.Acts;
import codrane.app.job.Reason;
import codrane.app.notes.Notes;
import codrane.app.records.AuditTrail;
import codrane.app.workshop.Times;
import codrane.core.job.JobState;
import codrane.core.job.Now;
import codrane.core.job.act.SpendingTooEarly;
import codrane.core.job.stage.PrepareStage;
import codrane.core.ready.Need;
import codrane.core.ready.Noted;
import java.time.Instant;
import java.time.LocalTime;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** What a plan needs: said to be here, or asked for. */
@Component
public class NeedActs {
    private static final int OPENS_AT = 10;
    private static final int LONGEST_DETAIL = 200;

    private final Acts acts;
    private final Notes notes;
    private final AuditTrail audit;
    private final Licences licences;

    NeedActs(Acts acts, Notes notes, AuditTrail audit, Licences licences) {
        this.licences = licences;
        this.acts = acts;
        this.notes = notes;
        this.audit = audit;
    }

    /**
     * What a person says of a need.
     *
     * @param due day on which it is expected, as a date; empty when it is here
     */
    public record Said(boolean here, String due, String detail) {}

    public Acted note(long number, String key, Said said, String who) {
        return acts.on(number, who, PrepareStage.NOTE_NEED, state -> {
            Optional<Need> need = need(state, key);
            if (need.isEmpty()) return Acted.refused("The plan needs no such thing.");
            Optional<Acted> wrong = wrong(state, need.get(), said);
            if (wrong.isPresent()) return wrong.get();
            Optional<Instant> at = said.here() ? Optional.empty() : day(state.now(), said.due());
            if (!said.here() && at.isEmpty()) return Acted.refused("Say on which day it is expected, today or later.");
            Noted noted = new Noted(said.here(), at, said.detail().strip());
            notes.put(state.job().id(), NeedStored.KIND, key, NeedStored.of(noted), who);
            audit.record(who, said.here() ? "said is here" : "asked for", "job " + number, key + " " + noted.detail());
            return Acted.done();
        });
    }

    private static Optional<Need> need(JobState state, String key) {
        return state.readiness().stream()
                .flatMap(r -> r.needs().stream())
                .filter(n -> n.key().equals(key))
                .findFirst();
    }

    private Optional<Acted> wrong(JobState state, Need need, Said said) {
        boolean keys = need.kind() == Need.Kind.KEYS;
        if (!need.kind().noted() && !keys)
            return Optional.of(Acted.refused("Whether that is here is found by Codrane, not said."));
        if (need.kind().secret() && said.here())
            return Optional.of(Acted.refused("A code is typed below, twice and masked: it is not noted."));
        if (need.kind().secret() && said.detail().matches(".*\\d{4,}.*"))
            return Optional.of(Acted.refused("Never write a code here: this is read by everybody. Nothing was noted."));
        List<String> open = SpendingTooEarly.open(state);
        if (need.costs() && !said.here() && !open.isEmpty())
            return Optional.of(Acted.refused(
                    "Nothing that costs is asked for before these are kept: " + String.join("; ", open) + "."));
        if (need.kind() == Need.Kind.LICENCE && said.here()) {
            Optional<Acted> licence = licences.wrong(state, need, said.detail());
            if (licence.isPresent()) return licence;
        }
        if (said.detail().length() > LONGEST_DETAIL) return Optional.of(Acted.refused("At most 200 characters."));
        return keys ? Reason.wrong(said.detail(), "the missing keys are given up") : Optional.empty();
    }

    private static Optional<Instant> day(Now now, String text) {
        return Times.dayFrom(now.today(), text)
                .map(day ->
                        day.atTime(LocalTime.of(OPENS_AT, 0)).atZone(now.zone()).toInstant());
    }

    public Acted forget(long number, String key, String who) {
        return acts.on(number, who, PrepareStage.FORGET_NEED, state -> {
            notes.forget(state.job().id(), NeedStored.KIND, key);
            audit.record(who, "took back", "job " + number, key);
            return Acted.done();
        });
    }
}
