package codrane.app.stage.decide;

import codrane.app.job.Acted;
import codrane.app.job.Acts;
import codrane.app.job.JobStore;
import codrane.app.notes.Notes;
import codrane.app.records.AuditTrail;
import codrane.core.job.DecideNotes;
import codrane.core.job.JobState;
import codrane.core.job.stage.DecideStage;
import codrane.core.plan.PartOrigin;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import org.springframework.stereotype.Component;

/** What people say for the plan: of the part, the service information, the order. A plan that is there is made again. */
@Component
public class DecideActs {
    private static final int LONGEST_WORDING = 4000;
    private static final int LONGEST_NUMBER = 40;

    private final Acts acts;
    private final JobStore jobs;
    private final Notes notes;
    private final PlanAgain again;
    private final AuditTrail audit;

    DecideActs(Acts acts, JobStore jobs, Notes notes, PlanAgain again, AuditTrail audit) {
        this.acts = acts;
        this.jobs = jobs;
        this.notes = notes;
        this.again = again;
        this.audit = audit;
    }

    public Acted wording(long number, String text, String who) {
        if (text.length() > LONGEST_WORDING)
            return Acted.refused("At most 4,000 characters: only the sentences about this.");
        return noted(number, n -> n.withWording(text.strip()), who);
    }

    public Acted part(long number, String fitted, String offered, String who) {
        if (fitted.length() > LONGEST_NUMBER || offered.length() > LONGEST_NUMBER)
            return Acted.refused("A part number has at most 40 characters.");
        return noted(number, n -> n.withPart(fitted.strip(), offered.strip()), who);
    }

    private Acted noted(long number, UnaryOperator<DecideNotes> change, String who) {
        return acts.on(number, who, DecideStage.NOTE, state -> noted(state, change, who));
    }

    private Acted noted(JobState state, UnaryOperator<DecideNotes> change, String who) {
        DecideStored stored = DecideStored.of(change.apply(state.decided().notes()));
        notes.put(state.job().id(), DecideStored.KIND, stored, who);
        return again.plan(state, who);
    }

    public Acted origin(long number, String name, String who) {
        return acts.on(number, who, DecideStage.ORIGIN, state -> {
            Optional<PartOrigin> origin = Arrays.stream(PartOrigin.values())
                    .filter(o -> o.name().equals(name))
                    .findFirst();
            if (origin.isEmpty() || !state.job().kind().replaces())
                return Acted.refused("Choose where the part comes from.");
            jobs.origin(state.job(), origin.get());
            audit.record(who, "said the part is " + origin.get().words(), "job " + number, "");
            return again.plan(state, who);
        });
    }

    public Acted order(long number, List<String> out, List<String> in, String who) {
        return acts.on(number, who, DecideStage.ORDER, state -> {
            if (state.pack().equipment().order().isEmpty()) return Acted.refused("This model has no vehicle order.");
            Set<String> known = state.pack().equipment().order().get().titles().keySet();
            if (!known.containsAll(out) || !known.containsAll(in))
                return Acted.refused("There is no such option code.");
            return noted(state, n -> n.withCodes(out, in), who);
        });
    }

    /** Equipment that is fitted and not coded: its settings are chosen with it. */
    Acted feature(JobState state, String id, String who) {
        return noted(state, n -> n.withFeature(id), who);
    }
}
