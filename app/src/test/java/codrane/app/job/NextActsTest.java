package codrane.app.job;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.app.access.Access;
import codrane.app.baseline.BaselineSummary;
import codrane.app.decide.DecideNotes;
import codrane.app.decide.Decided;
import codrane.app.intake.IntakeNotes;
import codrane.app.live.RunRecord;
import codrane.app.shelf.Shelf.Shelved;
import codrane.app.vehicle.ToolLook;
import codrane.core.access.WorkshopAccount;
import codrane.core.calibration.Manifest;
import codrane.core.coding.LineSheet;
import codrane.core.gateway.OperationMatrix.Gateway;
import codrane.core.pack.MarketRules;
import codrane.core.pack.Pack;
import codrane.core.pack.PackLoader;
import codrane.core.pack.PackResult;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.JobKind;
import codrane.core.plan.PartOrigin;
import codrane.core.plan.Policy;
import codrane.core.plan.Stage;
import codrane.core.planner.Planner;
import codrane.core.power.PowerGate;
import codrane.core.scan.ModuleReading;
import codrane.core.vin.Vin;
import codrane.link.scan.VehicleScanner;
import codrane.standin.Conditions;
import codrane.standin.VirtualWorkshop;
import codrane.standin.module.FactoryCoding;
import codrane.standin.vehicle.Setup;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

/** The one next act, from facts: each test is a moment of a job. Readings come from a simulated vehicle. */
class NextActsTest {
    private static final Pack LORNE = pack();
    private static final Instant T0 = Instant.parse("2026-03-01T09:00:00Z");
    private static final Map<String, ModuleReading> USED = scan(Conditions.usedTailLift(LORNE));
    private static final Map<String, ModuleReading> HEALTHY = scan(Setup.healthy(LORNE, Conditions.LORNE));

    private static final BaselineSummary BASELINE = baseline(1, BaselineSummary.Purpose.BEFORE);

    private static BaselineSummary baseline(long id, BaselineSummary.Purpose purpose) {
        return new BaselineSummary(id, 1L, 1, T0, "tech", "0".repeat(64), BaselineSummary.Origin.READ, purpose, "", 2);
    }

    private static Pack pack() {
        try {
            return ((PackResult.Loaded)
                            PackLoader.load("p", Files.readString(Path.of("..", "packs", "brennick-lorne.yaml"))))
                    .pack();
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }

    private static Map<String, ModuleReading> scan(Setup setup) {
        return new VehicleScanner(new VirtualWorkshop(setup).link(), LORNE).scan(reading -> {});
    }

    /** A job that each test brings to its moment. */
    private static final class Moment {
        private final List<HoldRecord> holds = new ArrayList<>();
        private Vin vin = Conditions.LORNE;
        private JobKind kind = JobKind.REPLACE_MODULE;
        private Decided decided = new Decided(
                DecideNotes.NONE,
                Policy.DEFAULT,
                MarketRules.NONE,
                Map.of(),
                Optional.of(T0.plus(Duration.ofDays(100))),
                List.of(),
                List.of());
        private Optional<BenchCheck> bench = Optional.empty();
        private Optional<ScanRecord> before = Optional.empty();
        private Optional<ScanRecord> latest = Optional.empty();
        private List<BaselineSummary> baselines = List.of();
        private Optional<PlanRecord> plan = Optional.empty();
        private Optional<Shelved> file = Optional.empty();
        private Optional<LineSheetFacts> sheet = Optional.empty();
        private Optional<RunRecord> run = Optional.empty();
        private PowerGate.State power = PowerGate.State.PASSES;
        private IntakeNotes intake = IntakeNotes.NONE.with(IntakeNotes.OldModule.OUT);
        private JobAccess access = JobAccess.none(T0);

        Moment kept(HoldPoint point) {
            holds.add(new HoldRecord(point, false, "tech", T0, "confirmed"));
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
            access = new JobAccess(
                    new Gateway.Locked(),
                    Optional.empty(),
                    Optional.of(new Access.Known(account, trouble)),
                    Optional.of(PLOVER),
                    Optional.empty(),
                    T0);
            return this;
        }

        Moment authorised(int seconds) {
            access = new JobAccess(
                    new Gateway.Authorised(T0.plusSeconds(seconds)),
                    Optional.empty(),
                    Optional.of(new Access.Known(account(List.of("tech")), "")),
                    Optional.of(PLOVER),
                    Optional.empty(),
                    T0);
            return this;
        }

        Moment scanned(Map<String, ModuleReading> readings) {
            before = Optional.of(new ScanRecord(1, T0, "tech", readings));
            latest = before;
            return this;
        }

        Moment planned() {
            baselines = List.of(BASELINE);
            plan = Optional.of(
                    new PlanRecord(1, 1, 1, T0, "tech", Planner.plan(facts().vehicleFacts(before.orElseThrow()))));
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
                    "0".repeat(64));
            file = Optional.of(new Shelved(1, manifest, T0));
            var module = LORNE.module("tail-lift");
            String text = LineSheet.of("LFT", FactoryCoding.all(LORNE, module, Conditions.LORNE)).stream()
                    .map(LineSheet.Line::text)
                    .collect(Collectors.joining("\n"));
            sheet = Optional.of(LineSheetFacts.of(
                    LORNE, module, Conditions.LORNE, new SheetRecord("tail-lift", "service", text, T0, "tech")));
            return this;
        }

        Moment ran(RunRecord.State state, String sentence) {
            Optional<Instant> ended =
                    state == RunRecord.State.RUNNING ? Optional.empty() : Optional.of(T0.plusSeconds(60));
            run = Optional.of(new RunRecord(
                    1,
                    1,
                    state,
                    0,
                    20,
                    "Program the tail lift to 3.12",
                    true,
                    300,
                    1024,
                    1,
                    T0,
                    "tech",
                    ended,
                    sentence,
                    "Keep the power on."));
            return this;
        }

        Moment scannedAfter(Map<String, ModuleReading> readings) {
            latest = Optional.of(new ScanRecord(2, T0.plusSeconds(120), "tech", readings));
            return this;
        }

        JobFacts facts() {
            JobRecord job = new JobRecord(
                    1,
                    2201,
                    1,
                    vin,
                    LORNE.id(),
                    "Lorne",
                    kind,
                    "It does not move",
                    kind == JobKind.REPLACE_MODULE ? Optional.of("tail-lift") : Optional.empty(),
                    Optional.of(PartOrigin.SECOND_HAND),
                    T0,
                    "desk",
                    Optional.empty(),
                    0);
            return new JobFacts(
                    job,
                    LORNE,
                    holds,
                    bench,
                    before,
                    before,
                    latest,
                    baselines,
                    plan,
                    file,
                    sheet,
                    run,
                    new PowerGate.Verdict(power, "12.10 V, too low."),
                    access,
                    List.of(),
                    intake,
                    BenchNotes.NONE,
                    List.of(),
                    decided,
                    Map.of());
        }

        NextAct next() {
            JobFacts facts = facts();
            return NextActs.of(facts, facts.progress().current(), "tech");
        }
    }

    private static final ToolLook PLOVER = new ToolLook("Plover", "PLV2-204417", "4.2", "2.8", false, 35, "", Map.of());

    private static WorkshopAccount account(List<String> technicians) {
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

    @Test
    void next_replacementWhoseOldModuleNobodyAskedFor_asksBeforeConsent() {
        Moment moment = new Moment();
        moment.intake = IntakeNotes.NONE;
        assertThat(moment.next().title()).isEqualTo("Is the old tail lift still in the vehicle?");
        moment.intake = IntakeNotes.NONE.with(IntakeNotes.OldModule.STILL_IN);
        assertThat(moment.next().title()).isEqualTo("Does the customer agree?");
    }

    @Test
    void next_oldModuleStillIn_isReadAsSoonAsTheLinkIsProven() {
        Moment moment = new Moment().kept(HoldPoint.CONSENT).benchAt(13.7);
        moment.intake = IntakeNotes.NONE.with(IntakeNotes.OldModule.STILL_IN);
        assertThat(moment.next().title()).isEqualTo("Read the old tail lift before anyone removes it");
        moment.intake = moment.intake.with(new IntakeNotes.OldReading(false, "It could not be read."));
        assertThat(moment.next().title()).isEqualTo("Fit the new part, then scan all modules");
    }

    @Test
    void next_vehicleReadAgainAfterThePlanWasAgreed_isPlannedAgain() {
        Moment moment = atPrepare();
        moment.before = Optional.of(new ScanRecord(7, T0.plusSeconds(30), "tech", USED));
        NextAct next = moment.next();
        assertThat(next.title()).isEqualTo("Plan again: the vehicle was read since");
        assertThat(moment.facts().progress().openBefore(Stage.RUN)).contains(HoldPoint.PLAN_AGREED);
    }

    @Test
    void next_scanOfARunUnderWay_doesNotMakeThePlanOld() {
        Moment moment =
                atPrepare().prepared().kept(HoldPoint.WRITES_RELEASED).ran(RunRecord.State.INTERRUPTED, "Lost.");
        moment.before = Optional.of(new ScanRecord(7, T0.plusSeconds(30), "tech", USED));
        assertThat(moment.next().title()).isEqualTo("The run was interrupted: recover it");
    }

    @Test
    void next_lockedGateway_namesTheFirstThingThatIsMissing() {
        Moment moment = atDecide();
        assertThat(moment.locked(WorkshopAccount.none("Brennick Trade Desk", T0), "")
                        .next()
                        .title())
                .isEqualTo("Register the workshop at the authority");
        assertThat(moment.locked(account(List.of("lead")), "").next().title())
                .isEqualTo("Have tech added as technician");
        assertThat(moment.locked(account(List.of("tech")), "").next().title()).isEqualTo("Authorise this vehicle");
        assertThat(moment.locked(account(List.of("tech")), "It can't be reached.")
                        .next()
                        .title())
                .isEqualTo("The authority does not answer");
    }

    @Test
    void next_lockedGateway_readingGoesOnInItsOwnStage() {
        JobFacts facts = atDecide().locked(account(List.of("lead")), "").facts();
        assertThat(facts.progress().current()).isEqualTo(Stage.UNLOCK);
        assertThat(NextActs.of(facts, Stage.DECIDE, "tech").title()).isEqualTo("Let the rules make a plan");
        assertThat(NextActs.of(facts, Stage.BASELINE, "tech").title()).isEqualTo("Baseline is done");
    }

    @Test
    void next_authorisationShorterThanTheWrites_isRenewedFirst() {
        assertThat(atPrepare().authorised(3600).facts().progress().hold(HoldPoint.AUTHORISED))
                .isEqualTo(codrane.core.plan.JobProgress.Hold.KEPT);
        assertThat(atPrepare().authorised(5).next().title()).isEqualTo("Renew the authorisation: it ends too soon");
        assertThat(atPrepare().authorised(-5).next().title()).isEqualTo("The authorisation has ended: authorise again");
    }

    private static Moment atIdentify() {
        return new Moment().kept(HoldPoint.CONSENT).benchAt(13.7);
    }

    private static Moment atDecide() {
        Moment moment = atIdentify().scanned(USED).kept(HoldPoint.IDENTITY_SETTLED);
        moment.baselines = List.of(BASELINE);
        return moment;
    }

    private static Moment atPrepare() {
        return atDecide().planned().kept(HoldPoint.PLAN_AGREED);
    }

    @Test
    void next_newJob_asksForConsentAndIsSafeToStop() {
        NextAct next = new Moment().next();
        assertThat(next.title()).isEqualTo("Does the customer agree?");
        assertThat(next.stop()).isEqualTo("Safe to stop here: nothing was written.");
        assertThat(next.acts())
                .singleElement()
                .satisfies(a -> assertThat(a.strong()).isTrue());
    }

    @Test
    void next_benchWithLowSupply_saysWhatToRaise() {
        NextAct next = new Moment().kept(HoldPoint.CONSENT).benchAt(12.1).next();
        assertThat(next.title()).isEqualTo("Raise the supply, then check again");
        assertThat(next.why()).contains("12.10 V", "12.5 V are needed");
    }

    @Test
    void next_donorFound_waitsForAPerson() {
        NextAct next = atIdentify().scanned(USED).next();
        assertThat(next.title()).isEqualTo("The tail lift still carries its donor's VIN");
        assertThat(next.tone()).isEqualTo(NextAct.Tone.PERSON);
    }

    @Test
    void next_allAgree_goesOnByItself() {
        assertThat(atIdentify().scanned(HEALTHY).next().title()).isEqualTo("Store a baseline");
    }

    @Test
    void next_mostModulesOfAnotherVehicle_isAStopWithAReasonedWayOn() {
        Map<String, ModuleReading> other = scan(Setup.healthy(LORNE, Conditions.LORNE_DONOR));
        NextAct next = atIdentify().scanned(other).next();
        assertThat(next.title()).isEqualTo("This may be the wrong vehicle");
        assertThat(next.acts()).anySatisfy(a -> assertThat(a.reason()).isTrue());
    }

    @Test
    void next_blankPart_isExpectedOfANewOne() {
        NextAct next = atIdentify()
                .scanned(scan(Setup.healthy(LORNE, Conditions.LORNE).withBlankPart("tail-lift")))
                .next();
        assertThat(next.title()).isEqualTo("A module holds no VIN");
    }

    @Test
    void next_silentPart_blocksThePlanWithItsReason() {
        Moment moment = atIdentify()
                .scanned(scan(Setup.healthy(LORNE, Conditions.LORNE).without("tail-lift")))
                .planned();
        assertThat(moment.next().title()).isEqualTo("The plan is blocked");
        assertThat(moment.next().why()).contains("does not answer");
    }

    @Test
    void next_planMade_countsTheWrites() {
        assertThat(atDecide().next().title()).isEqualTo("Let the rules make a plan");
        assertThat(atDecide().planned().next().title()).isEqualTo("Agree to 5 writing steps in this order");
    }

    @Test
    void next_prepare_asksForFileThenSheetThenSupply() {
        assertThat(atPrepare().next().title()).isEqualTo("Fetch the calibration for the tail lift");
        Moment fileOnly = atPrepare().prepared();
        fileOnly.sheet = Optional.empty();
        assertThat(fileOnly.next().title()).isEqualTo("Fetch the line sheet of this VIN");
        Moment low = atPrepare().prepared();
        low.power = PowerGate.State.REFUSED;
        assertThat(low.next().title()).isEqualTo("The supply is not ready");
        assertThat(low.next().why()).contains("12.10 V, too low.");
    }

    @Test
    void next_everythingThere_releasesWritesInPlum() {
        NextAct next = atPrepare().prepared().next();
        assertThat(next.title()).isEqualTo("Release 5 writing steps on the tail lift");
        assertThat(next.tone()).isEqualTo(NextAct.Tone.WRITE);
    }

    @Test
    void next_running_hasNoButtonAndSaysWhatIsNormal() {
        NextAct next = atPrepare()
                .prepared()
                .kept(HoldPoint.WRITES_RELEASED)
                .ran(RunRecord.State.RUNNING, "")
                .next();
        assertThat(next.acts()).isEmpty();
        assertThat(next.why()).contains("the pump hums");
    }

    @Test
    void next_interrupted_saysWhereAndThatItMustNotBeLeft() {
        NextAct next = atPrepare()
                .prepared()
                .kept(HoldPoint.WRITES_RELEASED)
                .ran(RunRecord.State.INTERRUPTED, "Codrane was stopped.")
                .next();
        assertThat(next.title()).isEqualTo("The run was interrupted: recover it");
        assertThat(next.why()).contains("block 300 of 1024");
        assertThat(next.stop()).startsWith("Don't leave it here");
    }

    @Test
    void next_interruptedWhileSupplyIsLow_staysWithTheRun() {
        Moment moment =
                atPrepare().prepared().kept(HoldPoint.WRITES_RELEASED).ran(RunRecord.State.INTERRUPTED, "Lost.");
        moment.power = PowerGate.State.REFUSED;
        assertThat(moment.next().title()).isEqualTo("The run was interrupted: recover it");
    }

    @Test
    void next_finished_believesOnlyAFreshScan() {
        Moment moment = atPrepare().prepared().kept(HoldPoint.WRITES_RELEASED).ran(RunRecord.State.FINISHED, "Done.");
        assertThat(moment.next().title()).isEqualTo("Scan again and compare");
        moment.scannedAfter(USED);
        assertThat(moment.next().title()).isEqualTo("What was read back differs");
        assertThat(moment.next().why())
                .contains("for another VIN", "does not report software 3.12", "is not what was to be written");
        moment.scannedAfter(HEALTHY);
        assertThat(moment.next().title()).isEqualTo("Try the function itself");
        moment.kept(HoldPoint.FUNCTION_TESTED);
        assertThat(moment.next().title()).isEqualTo("Store how the vehicle is left");
        moment.leftAs();
        assertThat(moment.next().title()).isEqualTo("Print the report and close the job");
    }

    @Test
    void next_baselineOnly_endsAfterTheBaselineAndNeverWrites() {
        Moment moment = atIdentify().scanned(HEALTHY);
        moment.kind = JobKind.BASELINE_ONLY;
        assertThat(moment.next().title()).isEqualTo("Store a baseline");
        moment.baselines = List.of(BASELINE);
        assertThat(moment.next().title()).isEqualTo("Print the report and close the job");
    }

    @Test
    void of_aLaterStage_leadsBackToTheCurrentOne() {
        NextAct next = NextActs.of(atDecide().facts(), Stage.RUN, "tech");
        assertThat(next.title()).isEqualTo("Decide comes before Run");
        assertThat(next.acts())
                .singleElement()
                .satisfies(a -> assertThat(a.path()).isEqualTo("/decide"));
    }

    @Test
    void of_anEarlierStage_leadsForward() {
        assertThat(NextActs.of(atDecide().facts(), Stage.BENCH, "tech").title()).isEqualTo("Bench is done");
    }

    @Test
    void minutes_areSaidInWords() {
        assertThat(NextActs.minutes(59)).isEqualTo("59 s");
        assertThat(NextActs.minutes(228)).isEqualTo("3 min 48 s");
    }
}
