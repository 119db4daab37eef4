package codrane.app.job;

import codrane.app.TestWorld;
import codrane.core.access.Authorisation;
import codrane.core.access.KnownAccount;
import codrane.core.access.WorkshopAccount;
import codrane.core.baseline.BaselineFile;
import codrane.core.baseline.BaselineSummary;
import codrane.core.calibration.Manifest;
import codrane.core.calibration.Shelved;
import codrane.core.coding.LineSheet;
import codrane.core.gateway.OperationMatrix.Gateway;
import codrane.core.job.Baselined;
import codrane.core.job.BenchCheck;
import codrane.core.job.BenchNotes;
import codrane.core.job.Benched;
import codrane.core.job.DecideNotes;
import codrane.core.job.Decided;
import codrane.core.job.HoldNote;
import codrane.core.job.Identified;
import codrane.core.job.IntakeNotes;
import codrane.core.job.Job;
import codrane.core.job.JobAccess;
import codrane.core.job.JobRun;
import codrane.core.job.JobState;
import codrane.core.job.Now;
import codrane.core.job.Part;
import codrane.core.job.PlanVersion;
import codrane.core.job.Prepared;
import codrane.core.job.Ran;
import codrane.core.job.Scan;
import codrane.core.job.SheetText;
import codrane.core.job.Stranger;
import codrane.core.job.act.NextAct;
import codrane.core.job.hold.HoldRules;
import codrane.core.job.stage.NextActs;
import codrane.core.pack.MarketRules;
import codrane.core.pack.Pack;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.JobKind;
import codrane.core.plan.PartOrigin;
import codrane.core.plan.Policy;
import codrane.core.planner.Planner;
import codrane.core.power.PowerGate;
import codrane.core.power.SupplyReading;
import codrane.core.scan.ModuleReading;
import codrane.core.tool.ToolLook;
import codrane.core.vin.Vin;
import codrane.link.scan.VehicleScanner;
import codrane.standin.Conditions;
import codrane.standin.VirtualWorkshop;
import codrane.standin.module.FactoryCoding;
import codrane.standin.vehicle.Setup;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** A job that a test brings to its moment. Readings come from a simulated vehicle. */
final class Moment {
    static final Pack LORNE = pack();
    static final Instant T0 = Instant.parse("2026-03-01T09:00:00Z");
    static final Map<String, ModuleReading> USED = scan(Conditions.usedTailLift(LORNE));
    static final Map<String, ModuleReading> HEALTHY = scan(Setup.healthy(LORNE, Conditions.LORNE));

    static final BaselineSummary BASELINE = baseline(1, BaselineSummary.Purpose.BEFORE);

    /** A baseline in which nothing is: no part in it is another. */
    private static final BaselineFile NO_FILE =
            new BaselineFile("", "", "", "", List.of(), List.of(), Optional.empty());

    static BaselineSummary baseline(long id, BaselineSummary.Purpose purpose) {
        return new BaselineSummary(id, 1L, 1, T0, "tech", "0".repeat(64), BaselineSummary.Origin.READ, purpose, "", 2);
    }

    static Pack pack() {
        return TestWorld.pack("brennick-lorne");
    }

    static Map<String, ModuleReading> scan(Setup setup) {
        return new VehicleScanner(new VirtualWorkshop(setup).link(), LORNE).scan(reading -> {});
    }

    static final ToolLook PLOVER = new ToolLook("Plover", "PLV2-204417", "4.2", "2.8", false, 35, "", Map.of());

    final List<HoldNote> holds = new ArrayList<>();
    Vin vin = Conditions.LORNE;
    JobKind kind = JobKind.REPLACE_MODULE;
    PartOrigin origin = PartOrigin.SECOND_HAND;
    Optional<Benched.OldReading> oldReading = Optional.empty();
    Optional<BenchCheck> bench = Optional.empty();
    Optional<Scan> before = Optional.empty();
    Optional<Scan> latest = Optional.empty();
    List<BaselineSummary> baselines = List.of();
    Optional<PlanVersion> plan = Optional.empty();
    Optional<Shelved> file = Optional.empty();
    Optional<SheetText> sheet = Optional.empty();
    Optional<JobRun> run = Optional.empty();
    Optional<Stranger> stranger = Optional.empty();
    PowerGate.State power = PowerGate.State.PASSES;
    IntakeNotes intake = IntakeNotes.NONE.with(IntakeNotes.OldModule.OUT);
    JobAccess access = JobAccess.none(T0);

    Moment kept(HoldPoint point) {
        holds.add(HoldNote.of(point, false, "tech", T0, "confirmed"));
        return this;
    }

    Moment benchAt(double volts) {
        bench = Optional.of(new BenchCheck("Plover", "Body", Optional.of(volts), T0, "tech"));
        return this;
    }

    Moment leftAs() {
        baselines = List.of(BASELINE, baseline(2, BaselineSummary.Purpose.AS_LEFT));
        return this;
    }

    Moment locked(WorkshopAccount account, String trouble) {
        vin = new Vin("0BKLR3A46PN004127"); // the model year from which there is one
        if (before.isPresent()) scanned(scan(Setup.healthy(LORNE, vin)));
        access = new JobAccess(
                new Gateway.Locked(),
                Optional.empty(),
                Optional.of(new KnownAccount(account, trouble)),
                Optional.of(PLOVER),
                Optional.empty(),
                T0);
        return this;
    }

    Moment authorised(int seconds) {
        return authorised(seconds, 36_000);
    }

    /** @param granted seconds from its beginning to its end */
    Moment authorised(int seconds, int granted) {
        Instant until = T0.plusSeconds(seconds);
        access = new JobAccess(
                new Gateway.Authorised(until),
                Optional.of(new Authorisation(
                        1,
                        "authority",
                        PLOVER.serial(),
                        "tech",
                        until.minusSeconds(granted),
                        until,
                        Optional.of(T0),
                        Optional.empty(),
                        "")),
                Optional.of(new KnownAccount(account(List.of("tech")), "")),
                Optional.of(PLOVER),
                Optional.empty(),
                T0);
        return this;
    }

    Moment scanned(Map<String, ModuleReading> readings) {
        before = Optional.of(new Scan(1, T0, "tech", readings));
        latest = before;
        return this;
    }

    Moment planned() {
        baselines = List.of(BASELINE);
        plan = Optional.of(
                new PlanVersion(1, 1, 1, T0, "tech", Planner.plan(facts().vehicleFacts(before.orElseThrow()))));
        return this;
    }

    Moment prepared() {
        Manifest manifest = new Manifest(
                "LFT-312-B",
                LORNE.id(),
                "tail-lift",
                "Tail lift 3.12",
                List.of("BK-67220-B3"),
                List.of(),
                "3.12",
                1,
                1,
                "0".repeat(64),
                "");
        file = Optional.of(new Shelved(1, manifest, T0));
        var module = LORNE.module("tail-lift");
        String text = LineSheet.of("LFT", FactoryCoding.all(LORNE, module, Conditions.LORNE)).stream()
                .map(LineSheet.Line::text)
                .collect(Collectors.joining("\n"));
        sheet = Optional.of(new SheetText("tail-lift", "service", text, Optional.empty(), T0, "tech"));
        return this;
    }

    Moment ran(JobRun.State state, String sentence) {
        Optional<Instant> ended = state == JobRun.State.RUNNING ? Optional.empty() : Optional.of(T0.plusSeconds(60));
        run = Optional.of(new JobRun(
                1,
                1,
                state,
                new JobRun.Place(0, 20, "Program the tail lift to 3.12", true, 300, 1024, 1),
                new JobRun.Span(T0, "tech", ended),
                sentence,
                "Keep the power on."));
        return this;
    }

    /** A module waits for the key, in a run that goes on. */
    Moment awaitsTurnOfKey() {
        run = Optional.of(new JobRun(
                1,
                1,
                JobRun.State.RUNNING,
                new JobRun.Place(1, 20, "Turn the key off and on in time", false, 0, 0, 0),
                new JobRun.Span(T0, "tech", Optional.empty()),
                "",
                ""));
        return this;
    }

    Moment scannedAfter(Map<String, ModuleReading> readings) {
        latest = Optional.of(new Scan(2, T0.plusSeconds(120), "tech", readings));
        return this;
    }

    JobState facts() {
        boolean replaces = kind == JobKind.REPLACE_MODULE;
        Job job = new Job(
                1,
                2201,
                new Job.Vehicle(1, vin, LORNE.id(), "Lorne"),
                new Job.Wanted(
                        kind,
                        "It does not move",
                        replaces ? Optional.of("tail-lift") : Optional.empty(),
                        Optional.of(origin)),
                new Job.Life(T0, "desk", Optional.empty(), "", Optional.empty()),
                0);
        List<Scan> scans = Stream.of(before, latest)
                .flatMap(Optional::stream)
                .distinct()
                .sorted(Comparator.comparing(Scan::takenAt))
                .toList();
        Optional<Instant> passUntil = Optional.of(T0.plus(Duration.ofDays(100)));
        List<Part> parts = List.of(
                intake,
                new Benched(bench, BenchNotes.NONE, oldReading, stranger),
                new Identified(scans, List.of()),
                access,
                new Baselined(baselines, id -> NO_FILE, List::of),
                new Decided(DecideNotes.NONE, Policy.DEFAULT, MarketRules.NONE, List.of(), plan),
                new Prepared(
                        file,
                        sheet.stream().toList(),
                        Map.of(),
                        List.of(),
                        passUntil,
                        Map.of(),
                        Prepared.Typed.NOTHING,
                        supply()),
                new Ran(run));
        return new JobState(job, LORNE, new Now(T0, ZoneOffset.UTC), holds, parts);
    }

    /** Ten seconds of readings; none while it is still measured. */
    private List<SupplyReading> supply() {
        double volts = power == PowerGate.State.PASSES ? 13.8 : 12.1;
        int seconds = power == PowerGate.State.MEASURING ? 3 : 11;
        List<SupplyReading> readings = new ArrayList<>();
        for (int tenth = seconds * 10; tenth >= 0; tenth -= 2)
            readings.add(new SupplyReading(T0.minusMillis(tenth * 100L), volts));
        return readings;
    }

    NextAct next() {
        JobState facts = facts();
        return NextActs.of(facts, HoldRules.progress(facts).current(), "tech");
    }

    static WorkshopAccount account(List<String> technicians) {
        return new WorkshopAccount(
                "Brennick Trade Desk",
                true,
                true,
                Optional.of("Three tools"),
                Optional.empty(),
                3,
                Optional.empty(),
                technicians,
                Map.of("PLV2-204417", "Plover"),
                T0);
    }
}
