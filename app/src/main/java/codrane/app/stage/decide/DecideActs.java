package codrane.app.stage.decide;

import codrane.app.job.Acted;
import codrane.app.job.Acts;
import codrane.app.job.JobStore;
import codrane.app.notes.Notes;
import codrane.app.records.AuditTrail;
import codrane.core.job.DecideNotes;
import codrane.core.job.JobState;
import codrane.core.job.stage.DecideStage;
import codrane.core.job.stage.ProveStage;
import codrane.core.plan.Aids.Settling;
import codrane.core.plan.PartOrigin;
import codrane.core.plan.Said.Proved;
import codrane.core.plan.VehicleFacts;
import codrane.core.planner.WaysOn;
import java.time.InstantSource;
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
    private final InstantSource time;

    DecideActs(Acts acts, JobStore jobs, Notes notes, PlanAgain again, AuditTrail audit, InstantSource time) {
        this.acts = acts;
        this.jobs = jobs;
        this.notes = notes;
        this.again = again;
        this.audit = audit;
        this.time = time;
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
        put(state, change, who);
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

    /** The plan that was agreed to stays until the vehicle was read with the new part in it. */
    public Acted swapped(long number, String who) {
        return acts.on(number, who, DecideStage.SWAPPED, state -> {
            put(state, n -> n.swapped(time.instant()), who);
            audit.record(who, "put the new part in", "job " + number, "");
            return Acted.done();
        });
    }

    /** Software that is newer than any that is known is right, by what somebody knows. */
    public Acted newerRight(long number, String who) {
        return acts.on(number, who, DecideStage.NEWER_RIGHT, state -> {
            VehicleFacts facts = state.vehicleFacts(state.before().orElseThrow());
            String version = facts.newPart()
                    .or(facts::module)
                    .map(module -> facts.answer(module.id()).software())
                    .orElse("");
            audit.record(who, "said that newer software is right", "job " + number, version);
            return noted(state, n -> n.newerIsRight(version), who);
        });
    }

    public Acted notWorking(long number, String who) {
        return acts.on(number, who, ProveStage.NOT_WORKING, state -> {
            put(state, n -> n.with(Proved.DOES_NOT_WORK), who);
            audit.record(who, "found that it does not work", "job " + number, "");
            return Acted.done();
        });
    }

    public Acted tried(long number, String who) {
        return acts.on(number, who, ProveStage.TRIED, state -> {
            Optional<Settling> rung = state.plan()
                    .flatMap(p -> WaysOn.rung(state.vehicleFacts(state.after().orElseThrow()), p.plan()));
            if (rung.isEmpty()) return Acted.refused("Everything that calms a vehicle down was tried.");
            put(state, n -> n.tried(rung.get()), who);
            audit.record(
                    who,
                    "tried to calm the vehicle down",
                    "job " + number,
                    rung.get().name());
            return Acted.done();
        });
    }

    private void put(JobState state, UnaryOperator<DecideNotes> change, String who) {
        notes.put(
                state.job().id(),
                DecideStored.KIND,
                DecideStored.of(change.apply(state.decided().notes())),
                who);
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
    Acted features(JobState state, List<String> ids, String who) {
        return noted(state, n -> n.withFeatures(ids), who);
    }
}
