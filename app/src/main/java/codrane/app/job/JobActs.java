package codrane.app.job;

import codrane.app.job.jpa.JobStore;
import codrane.app.live.JobTasks;
import codrane.app.records.AuditTrail;
import codrane.core.job.HoldNote;
import codrane.core.job.Scan;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.JobProgress.Hold;
import codrane.core.plan.Plan;
import codrane.core.plan.Stage;
import codrane.core.plan.VehicleFacts;
import codrane.core.planner.PlanQuestions;
import codrane.core.planner.Planner;
import java.time.InstantSource;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;

/** What people do on a job as such: hold points, the plan, its end. A refused act changes nothing. */
@Component
public class JobActs {
    private static final Acted DONE = new Acted.Done(Optional.empty());
    private static final int LEAST_REASON = 5;
    private static final int MOST_REASON = 200;

    private final Acts acts;
    private final JobStore jobs;
    private final BenchCheckStore benchChecks;
    private final JobTasks tasks;
    private final ContentCheck contents;
    private final AuditTrail audit;
    private final InstantSource time;

    JobActs(
            Acts acts,
            JobStore jobs,
            BenchCheckStore benchChecks,
            JobTasks tasks,
            ContentCheck contents,
            AuditTrail audit,
            InstantSource time) {
        this.acts = acts;
        this.jobs = jobs;
        this.benchChecks = benchChecks;
        this.tasks = tasks;
        this.contents = contents;
        this.audit = audit;
        this.time = time;
    }

    /** Keeps a hold point that is a person's to keep. */
    public Acted keep(long number, HoldPoint point, String who, String why) {
        if (point.by() != HoldPoint.By.PERSON) return refused("This is kept by what is read, not by a click.");
        if (point == HoldPoint.WRITES_RELEASED) return refused("The writes are released by starting the run.");
        return acts.on(number, who, point.stage(), "kept “" + point.title() + "”", facts -> {
            if (facts.progress().hold(point) == Hold.NOT_NEEDED)
                return refused("Nothing of this job needs that: " + point.title() + ".");
            Optional<String> missing = missingFor(facts, point);
            if (missing.isPresent()) return refused(missing.get());
            hold(facts, new HoldNote(point, false, who, time.instant(), why, about(facts, point)));
            return DONE;
        });
    }

    private static Optional<String> missingFor(JobFacts facts, HoldPoint point) {
        return switch (point) {
            case IDENTITY_SETTLED -> identityMissing(facts);
            case PLAN_AGREED, LEAD_APPROVED, NO_WAY_BACK -> {
                if (facts.plan().isEmpty() || facts.planIsOld())
                    yield Optional.of("There is no plan yet that rests on the newest scan.");
                Optional<String> question = PlanQuestions.of(
                                facts.vehicleFacts(facts.before().orElseThrow()))
                        .stream()
                        .map(PlanQuestions.Question::text)
                        .findFirst();
                yield question.or(
                        () -> facts.plan().get().plan().blocks().stream().findFirst());
            }
            case FUNCTION_TESTED -> facts.after().isEmpty() ? Optional.of("Scan again first.") : Optional.empty();
            default -> Optional.empty();
        };
    }

    /** The replaced part's other VIN may be accepted; that of another module is waived, with a reason, or nothing. */
    private static Optional<String> identityMissing(JobFacts facts) {
        if (facts.before().isEmpty()) return Optional.of("Scan first.");
        IdentityFinding finding = IdentityFinding.of(facts, facts.before().get());
        if (!finding.acceptable()) return Optional.of(notAcceptable(finding));
        if (finding.unexpected().isEmpty()) return Optional.empty();
        return Optional.of(finding.unexpectedWords()
                + ", and this job does not write that: go on with a reason, or settle it first.");
    }

    private static String notAcceptable(IdentityFinding finding) {
        return finding.vins().sentence() + " Nothing is written then, whoever says so.";
    }

    private static Optional<String> about(JobFacts facts, HoldPoint point) {
        return point == HoldPoint.IDENTITY_SETTLED
                ? facts.before().map(scan -> IdentityFinding.of(facts, scan).about())
                : Optional.empty();
    }

    /** Waives a hold point by name, with a reason. */
    public Acted waive(long number, HoldPoint point, String who, String why) {
        return acts.on(number, who, point.stage(), "waived “" + point.title() + "”", facts -> {
            if (!point.waivable()) return refused("This hold point can't be waived.");
            Optional<String> wrong = wrongReason(why, "it is waived");
            if (wrong.isPresent()) return refused(wrong.get());
            if (facts.progress().hold(point) == Hold.NOT_NEEDED)
                return refused("Nothing of this job needs that: " + point.title() + ".");
            Optional<String> missing = waiveMissing(facts, point);
            if (missing.isPresent()) return refused(missing.get());
            hold(facts, new HoldNote(point, true, who, time.instant(), why.strip(), about(facts, point)));
            return DONE;
        });
    }

    private static Optional<String> waiveMissing(JobFacts facts, HoldPoint point) {
        if (point == HoldPoint.READ_BACK_AGREES && facts.after().isEmpty()) return Optional.of("Scan again first.");
        if (point != HoldPoint.IDENTITY_SETTLED) return Optional.empty();
        if (facts.before().isEmpty()) return Optional.of("Scan first.");
        IdentityFinding finding = IdentityFinding.of(facts, facts.before().get());
        return finding.acceptable() ? Optional.empty() : Optional.of(notAcceptable(finding));
    }

    /** @param what as in "say why ..." */
    static Optional<String> wrongReason(String why, String what) {
        if (why.strip().length() < LEAST_REASON) return Optional.of("Say in a few words why " + what + ".");
        return why.length() > MOST_REASON
                ? Optional.of("At most " + MOST_REASON + " characters for the reason.")
                : Optional.empty();
    }

    private void hold(JobFacts facts, HoldNote hold) {
        jobs.hold(facts.job().id(), hold);
        audit.record(
                hold.who(),
                hold.waived() ? "waived" : "kept",
                subject(facts.job().number()),
                hold.point().key() + ": " + hold.why()
                        + hold.about()
                                .filter(a -> !a.isEmpty())
                                .map(a -> " (" + a + ")")
                                .orElse(""));
    }

    public Acted plan(long number, String who) {
        return acts.on(number, who, Stage.DECIDE, "planned", facts -> {
            if (facts.runHolds())
                return refused("A run is under way or waits to be recovered: the plan stays as it is.");
            if (facts.baseline().isEmpty() || facts.before().isEmpty())
                return refused("Scan and store a baseline first.");
            Optional<Scan> scan = basis(facts);
            if (scan.isEmpty())
                return refused("Scan again first: a plan rests on how the vehicle is now, and it was worked on since.");
            return planOn(facts, scan.get(), who);
        });
    }

    /** What a new plan rests on: after a run, or when the job was closed meanwhile, a scan from since then. */
    private static Optional<Scan> basis(JobFacts facts) {
        Optional<Scan> scan = facts.run().isPresent() ? facts.after() : facts.before();
        return scan.filter(
                s -> facts.job().reopenedAt().map(at -> s.takenAt().isAfter(at)).orElse(true));
    }

    private Acted planOn(JobFacts facts, Scan scan, String who) {
        VehicleFacts known = contents.added(facts, facts.vehicleFacts(scan));
        // whatever comes of it: what was agreed to rested on something else
        for (HoldPoint point : List.of(HoldPoint.PLAN_AGREED, HoldPoint.LEAD_APPROVED, HoldPoint.NO_WAY_BACK))
            jobs.reopen(facts.job().id(), point);
        List<PlanQuestions.Question> questions = PlanQuestions.of(known);
        if (!questions.isEmpty())
            return refused("No plan yet: a guess would be worse. "
                    + questions.stream().map(PlanQuestions.Question::text).collect(Collectors.joining(" ")));
        Plan plan = Planner.plan(known);
        for (HoldPoint point : List.of(
                HoldPoint.WRITES_RELEASED,
                HoldPoint.READ_BACK_AGREES,
                HoldPoint.FUNCTION_TESTED,
                HoldPoint.GAPS_CONFIRMED)) jobs.reopen(facts.job().id(), point);
        jobs.addPlan(facts.job().id(), scan.id(), plan, who, time.instant());
        audit.record(
                who, "planned", subject(facts.job().number()), plan.operations().size() + " operations");
        return DONE;
    }

    public Acted close(long number, String who) {
        return acts.on(number, who, "closed the job", facts -> {
            if (facts.progress().current() != Stage.RECORD || facts.runHolds())
                return refused("The job is not through yet.");
            Optional<String> busy = tasks.busy(number);
            if (busy.isPresent()) return refused("Wait until this has ended: " + busy.get() + ".");
            jobs.close(facts.job(), time.instant());
            audit.record(who, "closed", subject(number), "");
            return DONE;
        });
    }

    /** Opens a closed job again. The link is proven anew: who knows what is on the cable by now. */
    public Acted reopen(long number, String who, String why) {
        return acts.onClosed(number, who, "reopened the job", facts -> {
            if (facts.job().closedAt().isEmpty()) return refused("This job is not closed.");
            Optional<String> wrong = wrongReason(why, "it is reopened");
            if (wrong.isPresent()) return refused(wrong.get());
            jobs.reopen(facts.job(), time.instant());
            benchChecks.forget(facts.job().id());
            audit.record(who, "reopened", subject(number), why.strip());
            return DONE;
        });
    }

    private static String subject(long number) {
        return "job " + number;
    }

    private static Acted refused(String sentence) {
        return new Acted.Refused(sentence, Optional.empty());
    }
}
