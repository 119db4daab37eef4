package codrane.app.job;

import codrane.app.Times;
import codrane.app.job.jpa.JobStore;
import codrane.app.live.RunService;
import codrane.app.records.AuditTrail;
import codrane.app.vehicle.BenchInterface;
import codrane.app.vehicle.Interfaces;
import codrane.core.job.HoldNote;
import codrane.core.job.JobRun;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.JobProgress.Hold;
import codrane.core.plan.Operation;
import codrane.core.plan.Stage;
import codrane.core.tool.ToolLook;
import java.time.InstantSource;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;

/** Releasing a plan's writes, going on with a run that ended in the middle, and stopping one. A plan is carried out once. */
@Component
public class RunActs {
    private static final Acted DONE = new Acted.Done(Optional.empty());

    private final Acts acts;
    private final JobStore jobs;
    private final Interfaces interfaces;
    private final RunOrders orders;
    private final RunService runs;
    private final UnlockActs unlocking;
    private final StrangerCheck strangers;
    private final Around around;

    /** What is told, and when it is. */
    @Component
    record Around(AuditTrail audit, Times times, InstantSource time) {}

    RunActs(
            Acts acts,
            JobStore jobs,
            Interfaces interfaces,
            RunOrders orders,
            RunService runs,
            UnlockActs unlocking,
            StrangerCheck strangers,
            Around around) {
        this.acts = acts;
        this.jobs = jobs;
        this.interfaces = interfaces;
        this.orders = orders;
        this.runs = runs;
        this.unlocking = unlocking;
        this.strangers = strangers;
        this.around = around;
    }

    /**
     * Starts the run when every write that is left of the plan was chosen; nothing is chosen beforehand.
     *
     * @param released keys of the operations that a person ticked
     */
    public Acted run(long number, Collection<String> released, String who) {
        JobFacts[] asked = new JobFacts[1];
        Acted allowed = acts.on(number, who, "released the writes", facts -> {
            asked[0] = facts;
            return notReady(facts, released, who).orElse(DONE);
        });
        if (!(allowed instanceof Acted.Done)) return allowed;
        Optional<Acted> stranger = strangers.refuse(asked[0], who);
        if (stranger.isPresent()) return stranger.get();
        Optional<Acted> locked = unlocking.refuseIfLocked(asked[0], who);
        if (locked.isPresent()) return locked.get();
        return acts.then(
                number,
                who,
                "started the run",
                facts -> notReady(facts, released, who).orElseGet(() -> begin(facts, who)));
    }

    private Optional<Acted> notReady(JobFacts facts, Collection<String> released, String who) {
        if (facts.runHolds()) return no("The run is already under way or waits to be recovered.");
        Optional<JobRun> done = facts.run().filter(JobRun::finished);
        if (done.isPresent())
            return no("Not started. This plan was carried out by " + done.get().startedBy() + ", "
                    + around.times().at(done.get().startedAt())
                    + ": a plan is carried out once. If something is left to do, scan and plan again.");
        List<HoldPoint> open = facts.progress().openBefore(Stage.RUN);
        if (open.equals(List.of(HoldPoint.AUTHORISED))) return Optional.of(unlocking.refuse(facts, who));
        if (!open.isEmpty()) {
            String titles = open.stream().map(HoldPoint::title).collect(Collectors.joining("; "));
            return no("Not started. Still open: " + titles + "."
                    + (facts.power().passes() ? "" : " " + facts.power().reason()));
        }
        List<Operation> left = RunOrders.left(facts);
        if (left.isEmpty()) return no("Not started. This plan writes nothing.");
        List<String> unticked = left.stream()
                .filter(write -> !released.contains(write.key()))
                .map(Operation::title)
                .toList();
        if (!unticked.isEmpty()) return no("Not started. Not released: " + String.join("; ", unticked) + ".");
        return unsafe(facts);
    }

    private Optional<Acted> unsafe(JobFacts facts) {
        if (facts.progress().hold(HoldPoint.NO_WAY_BACK) == Hold.OPEN)
            return no("Not started. Something can't be undone: look at VIN and part once more, and say so.");
        boolean wireless = interfaces
                .of(facts.pack())
                .flatMap(BenchInterface::tool)
                .map(ToolLook::wireless)
                .orElse(false);
        if (wireless && facts.needsCable())
            return no("Not started. This is written by cable: unpair the interface, plug it in, ask once more at"
                    + " Bench.");
        return facts.benchNotes()
                .secondWriter()
                .flatMap(second -> no("Not started. " + second
                        + " is on the same socket and writes, too: see Bench. Nothing was sent."));
    }

    private Acted begin(JobFacts facts, String who) {
        return switch (orders.build(facts, who)) {
            case RunOrders.Built.Missing(String sentence) -> refused(sentence);
            case RunOrders.Built.Order(var order) -> {
                RunService.Begun begun =
                        facts.run().map(stopped -> runs.goOn(order, stopped)).orElseGet(() -> runs.start(order));
                if (begun instanceof RunService.Begun.Refused(String reason)) yield refused(reason);
                int count = order.tasks().size();
                String why = count + (count == 1 ? " task" : " tasks") + " of plan version "
                        + facts.plan().orElseThrow().version();
                HoldNote hold = HoldNote.of(
                        HoldPoint.WRITES_RELEASED, false, who, around.time().instant(), why);
                jobs.hold(facts.job().id(), hold);
                around.audit()
                        .record(
                                who,
                                "kept",
                                "job " + facts.job().number(),
                                hold.point().key() + ": " + why);
                yield DONE;
            }
        };
    }

    public Acted recover(long number, String who) {
        JobFacts[] asked = new JobFacts[1];
        Acted allowed = acts.on(number, who, "had the run recovered", facts -> {
            asked[0] = facts;
            return notInterrupted(facts).orElse(DONE);
        });
        if (!(allowed instanceof Acted.Done)) return allowed;
        Optional<Acted> stranger = strangers.refuse(asked[0], who);
        if (stranger.isPresent()) return stranger.get();
        return acts.then(
                number,
                who,
                "recovered the run",
                facts -> notInterrupted(facts).orElseGet(() -> switch (orders.build(facts, who)) {
                    case RunOrders.Built.Missing(String sentence) -> refused(sentence);
                    case RunOrders.Built.Order(var order) ->
                        switch (runs.goOn(order, facts.run().orElseThrow())) {
                            case RunService.Begun.Running running -> DONE;
                            case RunService.Begun.Refused(String reason) -> refused(reason);
                        };
                }));
    }

    private static Optional<Acted> notInterrupted(JobFacts facts) {
        boolean interrupted = facts.run().map(JobRun::interrupted).orElse(false);
        return interrupted ? Optional.empty() : no("There is no interrupted run.");
    }

    /** Has a run that waits stop before its next step. */
    public Acted stop(long number, String who) {
        return acts.on(number, who, "stopped the run", facts -> {
            Optional<JobRun> running = facts.run().filter(JobRun::running);
            if (running.isEmpty()) return refused("No run is under way.");
            Optional<String> refusal = runs.stop(running.get(), who);
            if (refusal.isPresent()) return refused(refusal.get());
            around.audit()
                    .record(
                            who,
                            "stopped the run",
                            "job " + number,
                            running.get().taskTitle());
            return DONE;
        });
    }

    private static Optional<Acted> no(String sentence) {
        return Optional.of(refused(sentence));
    }

    private static Acted refused(String sentence) {
        return new Acted.Refused(sentence, Optional.empty());
    }
}
