package codrane.app.job;

import codrane.app.job.jpa.JobStore;
import codrane.app.live.JobTasks;
import codrane.app.live.JobTasks.TaskFailedException;
import codrane.app.records.AuditTrail;
import codrane.app.tools.Tools;
import codrane.app.vehicle.BenchInterface;
import codrane.app.vehicle.Interfaces;
import codrane.core.job.BenchCheck;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.JobKind;
import codrane.core.plan.Stage;
import codrane.core.power.SupplyReading;
import codrane.core.run.Reply;
import codrane.core.scan.ModuleReading;
import codrane.link.DiagnosticLink;
import codrane.link.LinkLostException;
import codrane.link.scan.VehicleScanner;
import java.time.InstantSource;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** Asks the vehicle who it is: one answered request at Bench, a scan, one module by hand. */
@Component
public class ScanActs {
    private static final Acted DONE = new Acted.Done(Optional.empty());
    /** What rests on how the vehicle was read; a new reading opens it again. */
    private static final List<HoldPoint> REST_ON_THE_SCAN = List.of(
            HoldPoint.IDENTITY_SETTLED,
            HoldPoint.PLAN_AGREED,
            HoldPoint.LEAD_APPROVED,
            HoldPoint.GAPS_CONFIRMED,
            HoldPoint.NO_WAY_BACK);

    private final Acts acts;
    private final Readings readings;
    private final JobStore jobs;
    private final BenchCheckStore benchChecks;
    private final JobTasks tasks;
    private final Interfaces interfaces;
    private final Around around;

    /** Who else is told. */
    @Component
    record Around(Tools tools, AuditTrail audit, InstantSource time) {}

    ScanActs(
            Acts acts,
            Readings readings,
            JobStore jobs,
            BenchCheckStore benchChecks,
            JobTasks tasks,
            Interfaces interfaces,
            Around around) {
        this.acts = acts;
        this.readings = readings;
        this.jobs = jobs;
        this.benchChecks = benchChecks;
        this.tasks = tasks;
        this.interfaces = interfaces;
        this.around = around;
    }

    /** Proves the interface by one answered request, asks which vehicle it is, and reads the supply. */
    public Acted benchCheck(long number, String who) {
        JobFacts[] asked = new JobFacts[1];
        Acted allowed = acts.on(number, who, Stage.BENCH, "asked the vehicle", facts -> {
            asked[0] = facts;
            return held(facts).orElse(DONE);
        });
        if (!(allowed instanceof Acted.Done)) return allowed;
        Pack pack = asked[0].pack();
        Optional<BenchInterface> bench = interfaces.of(pack);
        if (bench.isEmpty()) return refused("No interface on this computer speaks to this vehicle.");
        try {
            Optional<PackModule> answered =
                    readings.read(asked[0], who, link -> firstThatAnswers(asked[0], bench.get(), link));
            return answered.isEmpty()
                    ? refused("No module answers over " + bench.get().name()
                            + ". Is the key on, is the cable plugged in?")
                    : proven(number, bench.get(), answered.get(), who);
        } catch (LinkLostException | BenchInterface.BusyException | TaskFailedException e) {
            return refused(e.getMessage());
        }
    }

    /** The module whose VIN counts as the vehicle's is asked first, unless it is the one that was replaced. */
    private static Optional<PackModule> firstThatAnswers(JobFacts facts, BenchInterface bench, DiagnosticLink link) {
        Pack pack = facts.pack();
        List<PackModule> modules = new ArrayList<>(pack.modules().values());
        modules.sort(Comparator.comparing((PackModule m) -> facts.replaced().equals(Optional.of(m)))
                .thenComparing(m -> !m.id().equals(pack.vinReference())));
        VehicleScanner scanner = new VehicleScanner(link, pack);
        Optional<PackModule> answered = modules.stream()
                .filter(m -> scanner.greet(m) instanceof Reply.Positive)
                .findFirst();
        if (answered.isPresent()) bench.readKey(pack, link);
        return answered;
    }

    private Acted proven(long number, BenchInterface bench, PackModule module, String who) {
        Optional<Double> volts = bench.samples().reversed().stream().findFirst().map(SupplyReading::volts);
        return acts.then(number, who, "asked the vehicle", facts -> {
            around.tools().answered(bench.name(), around.time().instant());
            benchChecks.put(
                    facts.job().id(),
                    new BenchCheck(
                            bench.name(), module.title(), volts, around.time().instant(), who));
            jobs.noStranger(facts.job().id());
            return DONE;
        });
    }

    /** Scans in the background. */
    public Acted scan(long number, String who) {
        JobFacts[] asked = new JobFacts[1];
        Acted allowed = acts.on(number, who, Stage.IDENTIFY, "began a scan", facts -> {
            asked[0] = facts;
            return held(facts).orElse(DONE);
        });
        if (!(allowed instanceof Acted.Done)) return allowed;
        tasks.begin(number, "Scanning", teller -> {
            Map<String, ModuleReading> all = readAll(asked[0], who, teller);
            readings.own(asked[0], who, all);
            Acted kept = keep(number, all, "scanned", who);
            if (kept instanceof Acted.Refused(String sentence, var remedy)) throw new TaskFailedException(sentence);
        });
        return DONE;
    }

    private Map<String, ModuleReading> readAll(JobFacts facts, String who, JobTasks.Teller teller) {
        Pack pack = facts.pack();
        int[] done = new int[1];
        return readings.read(
                facts,
                who,
                link -> new VehicleScanner(link, pack)
                        .scan(reading -> teller.tell(
                                pack.module(reading.module()).title() + (reading.answers() ? " answers" : " is silent"),
                                ++done[0],
                                pack.modules().size())));
    }

    /** Asks one module by its address, for one that is not found by itself, and keeps what it says. */
    public Acted ask(long number, String address, String who) {
        JobFacts[] asked = new JobFacts[1];
        Acted allowed = acts.on(number, who, Stage.IDENTIFY, "asked a module by hand", facts -> {
            asked[0] = facts;
            return held(facts).or(() -> notAskable(facts, address)).orElse(DONE);
        });
        if (!(allowed instanceof Acted.Done)) return allowed;
        JobFacts facts = asked[0];
        PackModule module = at(facts, address).orElseThrow();
        try {
            ModuleReading reading =
                    readings.read(facts, who, link -> new VehicleScanner(link, facts.pack()).read(module));
            if (!reading.answers()) return refused(module.title() + " does not answer at this address either.");
            Map<String, ModuleReading> all =
                    new LinkedHashMap<>(facts.latest().orElseThrow().readings());
            all.put(module.id(), reading);
            around.audit().record(who, "asked a module by hand", "job " + number, address.strip());
            return keep(number, all, "asked a module by hand", who);
        } catch (LinkLostException | BenchInterface.BusyException | TaskFailedException e) {
            return refused(e.getMessage());
        }
    }

    private static Optional<Acted> notAskable(JobFacts facts, String address) {
        if (facts.latest().isEmpty()) return Optional.of(refused("Scan first."));
        if (!address.strip().matches("[0-9A-Fa-f]{2}"))
            return Optional.of(refused("An address is two hex digits, like 5E."));
        return at(facts, address).isEmpty()
                ? Optional.of(refused("The pack knows no module at this address."))
                : Optional.empty();
    }

    private static Optional<PackModule> at(JobFacts facts, String address) {
        int wanted = Integer.parseInt(address.strip(), 16);
        return facts.pack().modules().values().stream()
                .filter(m -> m.address() == wanted)
                .findFirst();
    }

    private Acted keep(long number, Map<String, ModuleReading> all, String what, String who) {
        return acts.then(number, who, what, facts -> {
            if (facts.runHolds()) return refused("A run began meanwhile: this reading is not kept.");
            jobs.addScan(facts.job().id(), all, who, around.time().instant());
            reopened(facts).forEach(point -> jobs.reopen(facts.job().id(), point));
            return DONE;
        });
    }

    /** Before a run, what rests on the scan is decided again; after it, what was said of the one before. */
    private static List<HoldPoint> reopened(JobFacts facts) {
        if (facts.run().isEmpty()) return REST_ON_THE_SCAN;
        return facts.job().kind() == JobKind.CLEAR_FAULTS
                ? List.of(HoldPoint.READ_BACK_AGREES, HoldPoint.FUNCTION_TESTED)
                : List.of(HoldPoint.READ_BACK_AGREES);
    }

    private Optional<Acted> held(JobFacts facts) {
        if (facts.runHolds())
            return Optional.of(refused("A run is under way or waits to be recovered: look at Run first."));
        return tasks.busy(facts.job().number()).map(title -> refused("Wait until this has ended: " + title + "."));
    }

    private static Acted refused(String sentence) {
        return new Acted.Refused(sentence, Optional.empty());
    }
}
