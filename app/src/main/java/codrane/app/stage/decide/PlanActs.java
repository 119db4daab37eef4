package codrane.app.stage.decide;

import codrane.app.job.Acted;
import codrane.app.job.Acts;
import codrane.app.job.Holds;
import codrane.app.notes.Notes;
import codrane.app.records.AuditTrail;
import codrane.core.job.DecideNotes;
import codrane.core.job.JobState;
import codrane.core.job.PlanBasis;
import codrane.core.job.Scan;
import codrane.core.job.stage.DecideStage;
import codrane.core.plan.Aids.Content;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.Plan;
import codrane.core.plan.Said.Proved;
import codrane.core.plan.VehicleFacts;
import codrane.core.planner.PlanQuestions;
import codrane.core.planner.Planner;
import java.time.InstantSource;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;

/** Makes plans. */
@Component
public class PlanActs {
    /** Whatever comes of planning again: what was agreed to rested on something else. */
    private static final List<HoldPoint> AGREED =
            List.of(HoldPoint.PLAN_AGREED, HoldPoint.LEAD_APPROVED, HoldPoint.NO_WAY_BACK);
    /** Kept or waived of another plan's run. */
    private static final List<HoldPoint> RAN = List.of(
            HoldPoint.WRITES_RELEASED, HoldPoint.READ_BACK_AGREES, HoldPoint.FUNCTION_TESTED, HoldPoint.GAPS_CONFIRMED);

    private final Acts acts;
    private final PlanStore plans;
    private final Holds holds;
    private final ContentCheck contents;
    private final Notes notes;
    private final AuditTrail audit;
    private final InstantSource time;

    PlanActs(
            Acts acts,
            PlanStore plans,
            Holds holds,
            ContentCheck contents,
            Notes notes,
            AuditTrail audit,
            InstantSource time) {
        this.acts = acts;
        this.plans = plans;
        this.holds = holds;
        this.contents = contents;
        this.notes = notes;
        this.audit = audit;
        this.time = time;
    }

    public Acted plan(long number, String who) {
        return acts.asking(number, who, DecideStage.PLAN, state -> Optional.empty(), asked -> {
            Optional<Content> content = contents.of(asked);
            return state -> scanned(asked).equals(scanned(state))
                    ? plan(state, PlanBasis.of(state).orElseThrow(), content, who)
                    : Acted.refused("The vehicle was scanned meanwhile: look at the scan, then plan again.");
        });
    }

    /** The scan that was asked about. */
    private static Optional<Long> scanned(JobState state) {
        return state.before().map(Scan::id);
    }

    private Acted plan(JobState state, Scan scan, Optional<Content> content, String who) {
        VehicleFacts facts = state.vehicleFacts(scan);
        VehicleFacts known = content.map(c -> facts.with(facts.aids().with(c))).orElse(facts);
        holds.open(state.job(), AGREED);
        List<PlanQuestions.Question> questions = PlanQuestions.of(known);
        if (!questions.isEmpty())
            return Acted.refused("No plan yet: a guess would be worse. "
                    + questions.stream().map(PlanQuestions.Question::text).collect(Collectors.joining(" ")));
        Plan plan = Planner.plan(known);
        holds.open(state.job(), RAN);
        triedAnew(state, who);
        plans.add(state.job().id(), new PlanStore.Made(plan, scan.id(), time.instant(), who));
        audit.record(
                who, "planned", "job " + state.job().number(), plan.operations().size() + " operations");
        return Acted.done();
    }

    /** What was found when the function was tried was about the plan before. */
    private void triedAnew(JobState state, String who) {
        DecideNotes said = state.decided().notes();
        if (said.since().proved() != Proved.NOT_YET)
            notes.put(state.job().id(), DecideStored.KIND, DecideStored.of(said.with(Proved.NOT_YET)), who);
    }
}
