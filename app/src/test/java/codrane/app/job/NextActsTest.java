package codrane.app.job;

import static codrane.app.job.Moment.BASELINE;
import static codrane.app.job.Moment.HEALTHY;
import static codrane.app.job.Moment.LORNE;
import static codrane.app.job.Moment.T0;
import static codrane.app.job.Moment.USED;
import static codrane.app.job.Moment.account;
import static codrane.app.job.Moment.scan;
import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.access.WorkshopAccount;
import codrane.core.job.Benched;
import codrane.core.job.HoldNote;
import codrane.core.job.IdentityFinding;
import codrane.core.job.IntakeNotes;
import codrane.core.job.JobRun;
import codrane.core.job.JobState;
import codrane.core.job.RunTasks;
import codrane.core.job.Scan;
import codrane.core.job.SettleLadder;
import codrane.core.job.Stranger;
import codrane.core.job.act.Deed;
import codrane.core.job.act.NextAct;
import codrane.core.job.hold.HoldRules;
import codrane.core.job.stage.NextActs;
import codrane.core.plan.Aids.Settling;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.JobKind;
import codrane.core.plan.JobProgress.Hold;
import codrane.core.plan.PartOrigin;
import codrane.core.plan.Stage;
import codrane.core.power.PowerGate;
import codrane.core.scan.ModuleReading;
import codrane.core.text.Words;
import codrane.standin.Conditions;
import codrane.standin.vehicle.Setup;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** The one next act, from facts: each test is a moment of a job. Readings come from a simulated vehicle. */
class NextActsTest {

    @Test
    void settleLadder_ofAPlannedJob_saysWhatIsForWhen_andWhatWasTried() {
        JobState state = atPrepare().facts();
        assertThat(SettleLadder.of(state).rungs())
                .extracting(SettleLadder.Rung::means)
                .containsExactly(Settling.values());
        assertThat(SettleLadder.of(state).rungs().getLast().where()).isEqualTo(SettleLadder.Where.IF_NEEDED);
        assertThat(SettleLadder.of(new Moment().facts()).rungs()) // nothing is planned
                .allMatch(rung -> rung.where() == SettleLadder.Where.NOT_PLANNED);
    }

    /** A run renews between two steps: what no grant covers whole must be covered step by step. */
    @Test
    void authorised_stretchLongerThanAnyGrant_needsTheLongestStepOnly() {
        JobState state = atPrepare().facts();
        int all = RunTasks.legSeconds(state);
        int longest = RunTasks.leg(state).stream()
                .mapToInt(o -> RunTasks.wireSeconds(state.pack(), o))
                .max()
                .orElseThrow();
        assertThat(longest).isPositive().isLessThan(all);
        assertThat(authorised(all - 1, all + 1)).isEqualTo(Hold.OPEN); // a new grant would last: get it first
        assertThat(authorised(all - 1, all)).isEqualTo(Hold.KEPT);
        assertThat(authorised(longest + 1, longest + 2)).isEqualTo(Hold.KEPT);
        assertThat(authorised(longest, longest + 2)).isEqualTo(Hold.OPEN);
    }

    private static Hold authorised(int left, int granted) {
        return HoldRules.progress(atPrepare().authorised(left, granted).facts()).hold(HoldPoint.AUTHORISED);
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
        moment.oldReading = Optional.of(new Benched.OldReading(false, "It could not be read."));
        assertThat(moment.next().title()).isEqualTo("Fit the new part, then scan all modules");
    }

    @Test
    void vehicleFacts_oldModuleInItsPlace_itsNumberIsNotTakenForTheNewParts() {
        Moment moment = new Moment().scanned(USED);
        assertThat(told(moment)).isEqualTo("BK-67220-B3");
        moment.intake = IntakeNotes.NONE.with(IntakeNotes.OldModule.STILL_IN);
        assertThat(told(moment)).isEmpty();
    }

    private static String told(Moment moment) {
        return moment.facts().vehicleFacts(moment.before.orElseThrow()).part().told();
    }

    @Test
    void next_vehicleReadAgainAfterThePlanWasAgreed_isPlannedAgain() {
        Moment moment = atPrepare();
        moment.before = Optional.of(new Scan(7, T0.plusSeconds(30), "tech", USED));
        NextAct next = moment.next();
        assertThat(next.title()).isEqualTo("Plan again: the vehicle was read since");
        assertThat(HoldRules.progress(moment.facts()).openBefore(Stage.RUN)).contains(HoldPoint.PLAN_AGREED);
    }

    @Test
    void next_scanOfARunUnderWay_doesNotMakeThePlanOld() {
        Moment moment = atPrepare().prepared().kept(HoldPoint.WRITES_RELEASED).ran(JobRun.State.INTERRUPTED, "Lost.");
        moment.before = Optional.of(new Scan(7, T0.plusSeconds(30), "tech", USED));
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
        JobState facts = atDecide().locked(account(List.of("lead")), "").facts();
        assertThat(HoldRules.progress(facts).current()).isEqualTo(Stage.UNLOCK);
        assertThat(NextActs.of(facts, Stage.DECIDE, "tech").title()).isEqualTo("Let the rules make a plan");
        assertThat(NextActs.of(facts, Stage.BASELINE, "tech").title()).isEqualTo("Baseline is done");
    }

    @Test
    void next_authorisationShorterThanTheWrites_isRenewedFirst() {
        assertThat(HoldRules.progress(atPrepare().authorised(3600).facts()).hold(HoldPoint.AUTHORISED))
                .isEqualTo(Hold.KEPT);
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
    void next_mostModulesOfAnotherVehicle_isAStopWithoutAWayOn() {
        NextAct next = atIdentify().scanned(mostlyOfAnother()).next();
        assertThat(next.title()).isEqualTo("This may be the wrong vehicle");
        assertThat(next.acts()).noneSatisfy(a -> assertThat(a.reason()).isTrue());
    }

    /** Enough modules are the vehicle's own that the scan counts, and most are not. */
    private static Map<String, ModuleReading> mostlyOfAnother() {
        Map<String, ModuleReading> most = new java.util.HashMap<>(scan(Setup.healthy(LORNE, Conditions.LORNE_DONOR)));
        for (String own : List.of("body", "doors", "engine")) most.put(own, HEALTHY.get(own));
        return most;
    }

    @Test
    void next_scanOfAnotherVehicle_countsForNothing() {
        Moment moment = atIdentify().scanned(scan(Setup.healthy(LORNE, Conditions.LORNE_DONOR)));
        assertThat(moment.next().title()).isEqualTo("Scan all modules");
        assertThat(moment.facts().scans().foreign()).isEqualTo(1);
    }

    @Test
    void next_blankPart_isExpectedOfANewOne() {
        NextAct next = atIdentify()
                .scanned(scan(Setup.healthy(LORNE, Conditions.LORNE).withBlankPart("tail-lift")))
                .next();
        assertThat(next.title()).isEqualTo("The tail lift holds no VIN yet");
    }

    @Test
    void next_anotherModuleOfADonor_isNoExpectedPartOfThisJob() {
        Moment moment = atIdentify().scanned(USED);
        moment.kind = JobKind.CLEAR_FAULTS;
        NextAct next = moment.next();
        assertThat(next.title()).isEqualTo("The tail lift is not this vehicle's by its VIN");
        assertThat(next.why()).contains("0BKLR3A48MN004131", "does not write it");
        assertThat(next.acts()).anySatisfy(a -> assertThat(a.reason()).isTrue());
    }

    @Test
    void next_usedPartSaidToBeNew_isSaidToBeAboutThisPart() {
        Moment moment = atIdentify().scanned(USED);
        moment.origin = PartOrigin.NEW;
        assertThat(moment.next().why()).contains("said to be new").doesNotContain("not about that");
    }

    @Test
    void next_acceptedDonor_isAskedAboutAgainWhenAnotherModuleDiffers() {
        Moment moment = atIdentify().scanned(USED);
        String about =
                IdentityFinding.of(moment.facts(), moment.before.orElseThrow()).about();
        moment.holds.add(
                new HoldNote(HoldPoint.IDENTITY_SETTLED, false, "tech", T0, "the donor is known", Optional.of(about)));
        assertThat(HoldRules.progress(moment.facts()).passed(HoldPoint.IDENTITY_SETTLED))
                .isTrue();
        Map<String, ModuleReading> more = new java.util.HashMap<>(USED);
        more.put("doors", scan(Setup.healthy(LORNE, Conditions.LORNE_DONOR)).get("doors"));
        moment.scanned(more);
        assertThat(HoldRules.progress(moment.facts()).passed(HoldPoint.IDENTITY_SETTLED))
                .isFalse();
        moment.scanned(mostlyOfAnother());
        assertThat(HoldRules.progress(moment.facts()).passed(HoldPoint.IDENTITY_SETTLED))
                .isFalse();
    }

    @Test
    void next_anotherVehicleAnswered_waitsForAPersonAtBench() {
        Moment moment = atIdentify().scanned(USED);
        moment.stranger = Optional.of(new Stranger("0BKLR3A48MN004131", "You are on …004131.", T0, "tech"));
        assertThat(HoldRules.progress(moment.facts()).current()).isEqualTo(Stage.BENCH);
        assertThat(moment.next().title()).isEqualTo("Another vehicle is on the cable");
        assertThat(moment.next().tone()).isEqualTo(NextAct.Tone.PERSON);
    }

    /** A stage that is done says what was found there, and not that something was. */
    @Test
    void next_stagesThatAreDone_sayWhatWasFoundThere() {
        JobState facts = atDecide().facts();
        assertThat(NextActs.of(facts, Stage.BENCH, "tech").why()).startsWith("Body answered over Plover");
        assertThat(NextActs.of(facts, Stage.IDENTIFY, "tech").why()).contains("Tail lift is a donor");
        assertThat(NextActs.of(facts, Stage.INTAKE, "tech").why()).contains("Consent was given, as tech noted");
        assertThat(NextActs.of(facts, Stage.UNLOCK, "tech").title())
                .isEqualTo("Unlock: this job has nothing to do here");
        for (Stage stage : Stage.values())
            assertThat(NextActs.of(facts, stage, "tech").why())
                    .as(stage.title())
                    .isNotBlank()
                    .doesNotContain("kept below");
    }

    @Test
    void next_silentPart_blocksThePlanWithItsReason() {
        Moment moment = atIdentify()
                .scanned(scan(Setup.healthy(LORNE, Conditions.LORNE).without("tail-lift")))
                .planned();
        assertThat(moment.next().title()).isEqualTo("The plan is blocked");
        assertThat(moment.next().why()).contains("does not answer");
        assertThat(moment.next().acts().getFirst().label()).startsWith("Scan");
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
        assertThat(low.next().why()).contains("12.10 V");
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
                .ran(JobRun.State.RUNNING, "")
                .next();
        assertThat(next.acts()).isEmpty();
        assertThat(next.why()).contains("the pump hums");
    }

    @Test
    void next_interrupted_saysWhereAndThatItMustNotBeLeft() {
        NextAct next = atPrepare()
                .prepared()
                .kept(HoldPoint.WRITES_RELEASED)
                .ran(JobRun.State.INTERRUPTED, "Codrane was stopped.")
                .next();
        assertThat(next.title()).isEqualTo("The run was interrupted: recover it");
        assertThat(next.why()).contains("block 300 of 1024");
        assertThat(next.stop()).startsWith("Don't leave it here");
    }

    @Test
    void next_interruptedWhileSupplyIsLow_staysWithTheRun() {
        Moment moment = atPrepare().prepared().kept(HoldPoint.WRITES_RELEASED).ran(JobRun.State.INTERRUPTED, "Lost.");
        moment.power = PowerGate.State.REFUSED;
        assertThat(moment.next().title()).isEqualTo("The run was interrupted: recover it");
    }

    @Test
    void next_finished_believesOnlyAFreshScan() {
        Moment moment = atPrepare().prepared().kept(HoldPoint.WRITES_RELEASED).ran(JobRun.State.FINISHED, "Done.");
        assertThat(moment.next().title()).isEqualTo("Scan again and compare");
        moment.scannedAfter(USED);
        assertThat(moment.next().title()).isEqualTo("What was read back differs");
        assertThat(moment.next().why())
                .contains("for another VIN", "does not report software 3.12", "is not what was to be written");
        moment.scannedAfter(HEALTHY);
        assertThat(moment.next().title()).isEqualTo("Try the tail lift in all it does");
        assertThat(moment.next().why()).contains("nobody under, on or in the way of it");
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
                .satisfies(a -> assertThat(a.deed()).isEqualTo(new Deed.Go(Stage.DECIDE)));
    }

    @Test
    void of_anEarlierStage_leadsForward() {
        assertThat(NextActs.of(atDecide().facts(), Stage.BENCH, "tech").title()).isEqualTo("Bench is done");
    }

    @Test
    void minutes_areSaidInWords() {
        assertThat(Words.lasting(59)).isEqualTo("59 s");
        assertThat(Words.lasting(228)).isEqualTo("3 min 48 s");
    }
}
