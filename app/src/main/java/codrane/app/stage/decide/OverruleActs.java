package codrane.app.stage.decide;

import codrane.app.job.Acted;
import codrane.app.job.Acts;
import codrane.app.job.Reason;
import codrane.app.notes.Notes;
import codrane.app.records.AuditTrail;
import codrane.core.job.JobState;
import codrane.core.job.PlanFacts;
import codrane.core.job.stage.DecideStage;
import codrane.core.plan.School;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** Judgement calls that are overruled for one job, by name and with a reason. */
@Component
public class OverruleActs {
    private final Acts acts;
    private final Notes notes;
    private final PlanAgain again;
    private final AuditTrail audit;

    OverruleActs(Acts acts, Notes notes, PlanAgain again, AuditTrail audit) {
        this.acts = acts;
        this.notes = notes;
        this.again = again;
        this.audit = audit;
    }

    public Acted overrule(long number, String schoolKey, String answer, String reason, String who) {
        return acts.on(number, who, DecideStage.OVERRULE, state -> {
            Optional<School> school = School.of(schoolKey);
            if (school.isEmpty() || !school.get().answers().contains(answer))
                return Acted.refused("Choose one of the answers.");
            Optional<Acted> wrong = Reason.wrong(reason, "it is overruled");
            if (wrong.isPresent()) return wrong.get();
            OverruleStored stored = new OverruleStored(answer, reason.strip(), about(state, school.get()));
            notes.put(state.job().id(), OverruleStored.KIND, school.get().key(), stored, who);
            audit.record(who, "overruled", "job " + number, schoolKey + ": " + answer + ", " + reason.strip());
            return again.plan(state, who);
        });
    }

    /** The parts desk agrees to one number: another one is asked about again. */
    private static @Nullable String about(JobState state, School school) {
        return school.ofOneJob() && state.before().isPresent()
                ? PlanFacts.offered(state, state.before().get())
                : null;
    }

    public Acted takeBack(long number, String schoolKey, String who) {
        return acts.on(number, who, DecideStage.TAKE_BACK, state -> {
            Optional<School> school = School.of(schoolKey);
            if (school.isEmpty()) return Acted.refused("There is no such question.");
            notes.forget(state.job().id(), OverruleStored.KIND, school.get().key());
            audit.record(who, "took the overrule back", "job " + number, schoolKey);
            return again.plan(state, who);
        });
    }
}
