package codrane.app.job;

import codrane.app.job.jpa.JobStore;
import codrane.app.live.JobTasks;
import codrane.app.live.RunService;
import codrane.app.records.AuditTrail;
import codrane.app.tools.Tools;
import codrane.app.vehicle.BenchInterface;
import codrane.app.vehicle.Interfaces;
import codrane.app.vehicle.ToolLook;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.JobProgress.Hold;
import codrane.core.plan.Operation;
import codrane.core.plan.Plan;
import codrane.core.plan.Stage;
import codrane.core.plan.VehicleFacts;
import codrane.core.planner.PlanQuestions;
import codrane.core.planner.Planner;
import codrane.core.power.SupplyReading;
import codrane.core.run.Reply;
import codrane.core.scan.ModuleReading;
import codrane.link.LinkLostException;
import codrane.link.scan.VehicleScanner;
import java.time.InstantSource;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;

/** What people do on a job. Each act checks what it depends on; a refused one changes nothing. */
@Component
public class JobActs {
    private static final Acted DONE = new Acted.Done(Optional.empty());

    private final JobDesk desk;
    private final JobStore jobs;
    private final BenchCheckStore benchChecks;
    private final JobTasks tasks;
    private final Interfaces interfaces;
    private final RunOrders orders;
    private final RunService runs;
    private final UnlockActs unlocking;
    private final StrangerCheck strangers;
    private final ContentCheck contents;
    private final Tools tools;
    private final AuditTrail audit;
    private final InstantSource time;

    JobActs(
            JobDesk desk,
            JobStore jobs,
            BenchCheckStore benchChecks,
            JobTasks tasks,
            Interfaces interfaces,
            RunOrders orders,
            RunService runs,
            UnlockActs unlocking,
            StrangerCheck strangers,
            ContentCheck contents,
            Tools tools,
            AuditTrail audit,
            InstantSource time) {
        this.desk = desk;
        this.jobs = jobs;
        this.benchChecks = benchChecks;
        this.tasks = tasks;
        this.interfaces = interfaces;
        this.orders = orders;
        this.runs = runs;
        this.unlocking = unlocking;
        this.strangers = strangers;
        this.contents = contents;
        this.tools = tools;
        this.audit = audit;
        this.time = time;
    }

    /** Proves the interface by one answered request, and reads the supply. */
    public Acted benchCheck(long number, String who) {
        JobFacts facts = desk.facts(number);
        Optional<BenchInterface> bench = interfaces.of(facts.pack());
        if (bench.isEmpty()) return refused("No interface on this computer speaks to this vehicle.");
        PackModule module = facts.pack().module(facts.pack().vinReference());
        try {
            Reply reply = bench.get().use(facts.pack(), link -> {
                Reply answer = new VehicleScanner(link, facts.pack()).greet(module);
                bench.get().readKey(facts.pack(), link);
                return answer;
            });
            if (!(reply instanceof Reply.Positive)) {
                return refused(module.title() + " does not answer over "
                        + bench.get().name() + ". Is the key on, is the cable plugged in?");
            }
        } catch (LinkLostException | BenchInterface.BusyException e) {
            return refused(e.getMessage());
        }
        Optional<Double> volts =
                bench.get().samples().reversed().stream().findFirst().map(SupplyReading::volts);
        tools.answered(bench.get().name(), time.instant());
        benchChecks.put(
                facts.job().id(), new BenchCheck(bench.get().name(), module.title(), volts, time.instant(), who));
        return DONE;
    }

    /** Scans in the background. */
    public Acted scan(long number, String who) {
        JobFacts facts = desk.facts(number);
        tasks.begin(
                number,
                "Scanning",
                teller -> jobs.addScan(facts.job().id(), readAll(facts, teller), who, time.instant()));
        return DONE;
    }

    private Map<String, ModuleReading> readAll(JobFacts facts, JobTasks.Teller teller) {
        Pack pack = facts.pack();
        BenchInterface bench = interfaces
                .of(pack)
                .orElseThrow(() ->
                        new JobTasks.TaskFailedException("No interface on this computer speaks to this vehicle."));
        int[] done = new int[1];
        return bench.use(
                pack,
                link -> new VehicleScanner(link, pack)
                        .scan(reading -> teller.tell(
                                pack.module(reading.module()).title() + (reading.answers() ? " answers" : " is silent"),
                                ++done[0],
                                pack.modules().size())));
    }

    /** Keeps a hold point that is a person's to keep. */
    public Acted keep(long number, HoldPoint point, String who, String why) {
        JobFacts facts = desk.facts(number);
        if (point.by() != HoldPoint.By.PERSON) return refused("This is kept by what is read, not by a click.");
        Optional<String> missing = missingFor(facts, point);
        if (missing.isPresent()) return refused(missing.get());
        hold(facts, new HoldRecord(point, false, who, time.instant(), why));
        return DONE;
    }

    private static Optional<String> missingFor(JobFacts facts, HoldPoint point) {
        return switch (point) {
            case IDENTITY_SETTLED -> facts.before().isEmpty() ? Optional.of("Scan first.") : Optional.empty();
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
            case WRITES_RELEASED -> Optional.of("The writes are released by starting the run.");
            case FUNCTION_TESTED -> facts.after().isEmpty() ? Optional.of("Scan again first.") : Optional.empty();
            default -> Optional.empty();
        };
    }

    /** Waives a hold point by name, with a reason. */
    public Acted waive(long number, HoldPoint point, String who, String why) {
        JobFacts facts = desk.facts(number);
        if (!point.waivable()) return refused("This hold point can't be waived.");
        if (why.strip().length() < 5) return refused("Say in a few words why it is waived.");
        hold(facts, new HoldRecord(point, true, who, time.instant(), why.strip()));
        return DONE;
    }

    private void hold(JobFacts facts, HoldRecord hold) {
        jobs.hold(facts.job().id(), hold);
        audit.record(
                hold.who(),
                hold.waived() ? "waived" : "kept",
                subject(facts.job().number()),
                hold.point().key() + ": " + hold.why());
    }

    public Acted plan(long number, String who) {
        JobFacts facts = desk.facts(number);
        if (facts.runHolds()) return refused("A run is under way or waits to be recovered: the plan stays as it is.");
        if (facts.before().isEmpty() || facts.baseline().isEmpty()) return refused("Scan and store a baseline first.");
        ScanRecord scan = facts.before().get();
        VehicleFacts known = contents.added(facts, facts.vehicleFacts(scan));
        // whatever comes of it: what was agreed to rested on something else
        for (HoldPoint point : List.of(HoldPoint.PLAN_AGREED, HoldPoint.LEAD_APPROVED, HoldPoint.NO_WAY_BACK))
            jobs.reopen(facts.job().id(), point);
        List<PlanQuestions.Question> questions = PlanQuestions.of(known);
        if (!questions.isEmpty())
            return refused("No plan yet: a guess would be worse. "
                    + questions.stream().map(PlanQuestions.Question::text).collect(Collectors.joining(" ")));
        Plan plan = Planner.plan(known);
        jobs.addPlan(facts.job().id(), scan.id(), plan, who, time.instant());
        audit.record(who, "planned", subject(number), plan.operations().size() + " operations");
        return DONE;
    }

    /**
     * Starts the run when every write of the plan was chosen; nothing is chosen beforehand.
     *
     * @param released keys of the operations that a person ticked
     */
    public Acted run(long number, Collection<String> released, String who) {
        JobFacts facts = desk.facts(number);
        if (facts.runHolds()) return refused("The run is already under way or waits to be recovered.");
        List<HoldPoint> open = facts.progress().openBefore(Stage.RUN);
        if (open.equals(List.of(HoldPoint.AUTHORISED))) return unlocking.refuse(facts, who);
        if (!open.isEmpty()) {
            String titles = open.stream().map(HoldPoint::title).collect(Collectors.joining("; "));
            return refused("Not started. Still open: " + titles + "."
                    + (facts.power().passes() ? "" : " " + facts.power().reason()));
        }
        List<String> unticked = facts.plan()
                .orElseThrow()
                .plan()
                .writes()
                .filter(write -> !released.contains(write.key()))
                .map(Operation::title)
                .toList();
        if (!unticked.isEmpty()) return refused("Not started. Not released: " + String.join("; ", unticked) + ".");
        if (facts.progress().hold(HoldPoint.NO_WAY_BACK) == Hold.OPEN)
            return refused("Not started. Something can't be undone: look at VIN and part once more, and say so.");
        boolean wireless = interfaces
                .of(facts.pack())
                .flatMap(BenchInterface::tool)
                .map(ToolLook::wireless)
                .orElse(false);
        if (wireless && facts.needsCable())
            return refused("Not started. This is written by cable: unpair the interface, plug it in, ask once more at"
                    + " Bench.");
        Optional<String> second = facts.benchNotes().secondWriter();
        if (second.isPresent())
            return refused("Not started. " + second.get()
                    + " is on the same socket and writes, too: see Bench. Nothing was sent.");
        Optional<Acted> stranger = strangers.refuse(facts);
        if (stranger.isPresent()) return stranger.get();
        Optional<Acted> locked = unlocking.refuseIfLocked(facts, who);
        if (locked.isPresent()) return locked.get();
        return switch (orders.build(facts, who)) {
            case RunOrders.Built.Missing(String sentence) -> refused(sentence);
            case RunOrders.Built.Order(var order) -> {
                Acted begun = begun(runs.start(order));
                if (begun.equals(DONE)) {
                    String why = order.tasks().size() + " tasks of plan version "
                            + facts.plan().orElseThrow().version();
                    hold(facts, new HoldRecord(HoldPoint.WRITES_RELEASED, false, who, time.instant(), why));
                }
                yield begun;
            }
        };
    }

    public Acted recover(long number, String who) {
        JobFacts facts = desk.facts(number);
        if (facts.run().isEmpty() || !facts.run().get().interrupted()) return refused("There is no interrupted run.");
        Optional<Acted> stranger = strangers.refuse(facts);
        if (stranger.isPresent()) return stranger.get();
        return switch (orders.build(facts, who)) {
            case RunOrders.Built.Missing(String sentence) -> refused(sentence);
            case RunOrders.Built.Order(var order) ->
                begun(runs.recover(order, facts.run().get()));
        };
    }

    private static Acted begun(RunService.Begun begun) {
        return switch (begun) {
            case RunService.Begun.Running running -> DONE;
            case RunService.Begun.Refused(String reason) -> refused(reason);
        };
    }

    public Acted close(long number, String who) {
        JobFacts facts = desk.facts(number);
        if (facts.progress().current() != Stage.RECORD) return refused("The job is not through yet.");
        jobs.close(facts.job(), time.instant());
        audit.record(who, "closed", subject(number), "");
        return DONE;
    }

    private static String subject(long number) {
        return "job " + number;
    }

    private static Acted refused(String sentence) {
        return new Acted.Refused(sentence, Optional.empty());
    }
}
