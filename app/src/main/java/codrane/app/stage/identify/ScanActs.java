package codrane.app.stage.identify;

import codrane.app.interfaces.BenchInterface;
import codrane.app.job.Acted;
import codrane.app.job.Acts;
import codrane.app.job.Holds;
import codrane.app.job.Readings;
import codrane.app.live.JobTasks;
import codrane.app.live.JobTasks.TaskFailedException;
import codrane.app.records.AuditTrail;
import codrane.core.job.JobState;
import codrane.core.job.stage.IdentifyStage;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.JobKind;
import codrane.core.scan.ModuleReading;
import codrane.core.text.Words;
import codrane.link.LinkLostException;
import codrane.link.scan.VehicleScanner;
import java.time.InstantSource;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** Asks the vehicle who it is: a scan of all modules, or one by hand. */
@Component
public class ScanActs {
    /** What rests on how the vehicle was read; a new reading opens it again. */
    private static final List<HoldPoint> REST_ON_THE_SCAN = List.of(
            HoldPoint.IDENTITY_SETTLED,
            HoldPoint.PLAN_AGREED,
            HoldPoint.LEAD_APPROVED,
            HoldPoint.GAPS_CONFIRMED,
            HoldPoint.NO_WAY_BACK);

    private final Acts acts;
    private final Readings readings;
    private final ScanStore scans;
    private final Holds holds;
    private final JobTasks tasks;
    private final AuditTrail audit;
    private final InstantSource time;

    ScanActs(
            Acts acts,
            Readings readings,
            ScanStore scans,
            Holds holds,
            JobTasks tasks,
            AuditTrail audit,
            InstantSource time) {
        this.acts = acts;
        this.readings = readings;
        this.scans = scans;
        this.holds = holds;
        this.tasks = tasks;
        this.audit = audit;
        this.time = time;
    }

    /** Scans in the background. */
    public Acted scan(long number, String who) {
        return acts.beginAlone(number, who, IdentifyStage.SCAN).then(state -> {
            tasks.begin(number, "Scanning", teller -> {
                Map<String, ModuleReading> all = readAll(state, who, teller);
                readings.own(state, who, all);
                acts.keep(number, who, "scanned", now -> keep(now, all, who));
            });
            return Acted.done();
        });
    }

    private Map<String, ModuleReading> readAll(JobState state, String who, JobTasks.Teller teller) {
        Pack pack = state.pack();
        int[] done = new int[1];
        return readings.read(
                state,
                who,
                link -> new VehicleScanner(link, pack)
                        .scan(reading -> teller.tell(
                                pack.module(reading.module()).title() + (reading.answers() ? " answers" : " is silent"),
                                ++done[0],
                                pack.modules().size())));
    }

    /** Asks one module by its address, for one that is not found by itself, and keeps what it says. */
    public Acted ask(long number, String address, String who) {
        return acts.beginAlone(number, who, IdentifyStage.ASK_MODULE, state -> notAskable(state, address))
                .then(state -> ask(state, at(state, address).orElseThrow(), who));
    }

    private Acted ask(JobState state, PackModule module, String who) {
        long number = state.job().number();
        try {
            ModuleReading reading =
                    readings.read(state, who, link -> new VehicleScanner(link, state.pack()).read(module));
            if (!reading.answers()) return Acted.refused(module.title() + " does not answer at this address either.");
            Map<String, ModuleReading> all =
                    new LinkedHashMap<>(state.scans().latest().orElseThrow().readings());
            all.put(module.id(), reading);
            audit.record(who, "asked a module by hand", "job " + number, module.id());
            return acts.then(number, who, "asked a module by hand", now -> keep(now, all, who));
        } catch (LinkLostException | BenchInterface.BusyException | TaskFailedException e) {
            return Acted.refused(Words.said(e));
        }
    }

    private static Optional<Acted> notAskable(JobState state, String address) {
        if (!address.strip().matches("[0-9A-Fa-f]{2}"))
            return Optional.of(Acted.refused("An address is two hex digits, like 5E."));
        return at(state, address).isEmpty()
                ? Optional.of(Acted.refused("The pack knows no module at this address."))
                : Optional.empty();
    }

    private static Optional<PackModule> at(JobState state, String address) {
        int wanted = Integer.parseInt(address.strip(), 16);
        return state.pack().modules().values().stream()
                .filter(m -> m.address() == wanted)
                .findFirst();
    }

    private Acted keep(JobState state, Map<String, ModuleReading> all, String who) {
        if (state.runHolds()) return Acted.refused("A run began meanwhile: this reading is not kept.");
        scans.add(state.job().id(), all, who, time.instant());
        holds.open(state.job(), reopened(state));
        return Acted.done();
    }

    /** Before a run, what rests on the scan is decided again; after it, what was said of the one before. */
    private static List<HoldPoint> reopened(JobState state) {
        if (state.run().isEmpty()) return REST_ON_THE_SCAN;
        return state.job().kind() == JobKind.CLEAR_FAULTS
                ? List.of(HoldPoint.READ_BACK_AGREES, HoldPoint.FUNCTION_TESTED)
                : List.of(HoldPoint.READ_BACK_AGREES);
    }
}
