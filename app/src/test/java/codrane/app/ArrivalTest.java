package codrane.app;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.app.RunningApp.App;
import codrane.app.baseline.BaselineImport;
import codrane.app.baseline.Baselines;
import codrane.app.job.Acted;
import codrane.app.job.Vehicles;
import codrane.app.live.RunStore;
import codrane.app.newjob.JobIntake;
import codrane.app.newjob.NewJobForm;
import codrane.app.stage.baseline.BaselineActs;
import codrane.app.stage.bench.BenchActs;
import codrane.app.stage.decide.SettingActs;
import codrane.app.stage.identify.FaultActs;
import codrane.app.stage.identify.ScanActs;
import codrane.app.stage.intake.IntakeActs;
import codrane.app.stage.run.RunActs;
import codrane.app.stage.unlock.UnlockActs;
import codrane.core.baseline.BaselineSummary;
import codrane.core.job.hold.HoldRules;
import codrane.core.plan.HoldPoint;
import codrane.core.vin.Vin;
import codrane.standin.Conditions;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** What may go wrong between arrival and baseline: each is a clear sentence, and changes nothing. */
@ExtendWith(RunningApp.class)
class ArrivalTest {
    private static final Acted DONE = new Acted.Done(Optional.empty());
    private final App app;

    ArrivalTest(App app) {
        this.app = app;
    }

    @AfterEach
    void mend() {
        TestWorld.lockGateways(app);
        TestWorld.act(app.world(), "/faults/clear");
        TestWorld.authority(app.world(), "tolvane-signing-office", "right?reset=yes&grant-seconds=3600");
        TestWorld.plug(app.world(), Conditions.LORNE);
        TestWorld.act(app.world(), "/key/on");
        TestWorld.actDoip(app.world(), "/plug/" + Conditions.WISP.text());
    }

    private static String sentence(Acted acted) {
        return ((Acted.Refused) acted).sentence();
    }

    static Stream<Vin> oneOfEachMaker() {
        return Stream.of(Conditions.LORNE, Conditions.ALMERY, Conditions.DUNLIN, Conditions.WISP, Conditions.GANNET);
    }

    /** K16: everything that can be read is stored, over CAN, CAN FD and DoIP, and nothing in the vehicle is touched. */
    @ParameterizedTest
    @MethodSource("oneOfEachMaker")
    void baselineOnly_ofEachMaker_isWholeAndWritesNothing(Vin vin) throws InterruptedException {
        boolean can = !vin.equals(Conditions.WISP) && !vin.equals(Conditions.GANNET);
        if (can) TestWorld.plug(app.world(), vin);
        else TestWorld.actDoip(app.world(), "/plug/" + vin.text());
        String held = (can ? TestWorld.look(app.world()) : TestWorld.lookDoip(app.world()))
                .path("modules")
                .toString();
        JobIntake.Taken taken = app.bean(JobIntake.class)
                .take(new NewJobForm(vin.text(), "First baseline", "BASELINE_ONLY", "", ""), "tech");
        JobSteps steps = new JobSteps(app, ((JobIntake.Taken.Job) taken).number());
        TestActs.of(app).keep(steps.number, HoldPoint.CONSENT, "tech", "");
        app.bean(BenchActs.class).ask(steps.number, "tech");
        steps.scan();
        for (String variant : steps.facts().variants().stream().limit(1).toList())
            app.bean(IntakeActs.class).variant(steps.number, variant, "tech");
        TestActs.of(app).waive(steps.number, HoldPoint.IDENTITY_SETTLED, "tech", "only read");
        assertThat(app.bean(BaselineActs.class).store(steps.number, "", "tech")).isEqualTo(DONE);
        steps.awaitTask();
        var file = app.bean(Baselines.class)
                .file(steps.facts().baseline().orElseThrow().id());
        assertThat(file.modules()).hasSize(steps.facts().pack().modules().size());
        assertThat(file.modules()).anyMatch(m -> !m.live().isEmpty());
        assertThat(file.modules()).anyMatch(m -> !m.adaptations().isEmpty() || vin.equals(Conditions.WISP));
        assertThat(file.modules()).anyMatch(m -> !m.coding().isEmpty());
        assertThat(file.obd().isEmpty())
                .isEqualTo(!can); // not through the edge node, and an electric one takes no part
        assertThat(held)
                .isEqualTo((can ? TestWorld.look(app.world()) : TestWorld.lookDoip(app.world()))
                        .path("modules")
                        .toString());
    }

    @Test
    void askByHand_wrongSilentAndRight_isRefusedOrKept() throws InterruptedException {
        JobSteps steps = new JobSteps(app, "tail-lift").toScanned();
        assertThat(sentence(app.bean(ScanActs.class).ask(steps.number, "zz", "tech")))
                .contains("two hex digits");
        assertThat(sentence(app.bean(ScanActs.class).ask(steps.number, "01", "tech")))
                .contains("knows no module");
        TestWorld.act(app.world(), "/fault?spec=silent:module=climate,seconds=60");
        assertThat(sentence(app.bean(ScanActs.class).ask(steps.number, "73", "tech")))
                .contains("does not answer");
        TestWorld.act(app.world(), "/faults/clear");
        long scan = steps.facts().before().orElseThrow().id();
        assertThat(app.bean(ScanActs.class).ask(steps.number, "67", "tech")).isInstanceOf(Acted.Done.class);
        assertThat(steps.facts().before().orElseThrow().id()).isNotEqualTo(scan); // how it came, with what was asked
    }

    @Test
    void faultNote_physicalReason_isShownWithItsFaultAndOthersAreRefused() throws InterruptedException {
        JobSteps steps = new JobSteps(app, "tail-lift").toScanned();
        FaultActs identify = app.bean(FaultActs.class);
        var fault = steps.facts().faultsBefore().getFirst();
        assertThat(sentence(identify.note(steps.number, fault.module(), "P0001-00", "x", "tech")))
                .contains("was not read in this job");
        identify.note(steps.number, fault.module(), fault.code().text(), "covered by a load", "tech");
        assertThat(steps.facts().faultNote(fault.module(), fault.code().text())).contains("covered by a load");
    }

    /** The link ends with the cable; the other vehicle is then known as another before the run goes on. */
    @Test
    void cableMovedWhileTheKeyIsAwaited_stopsTheRunAndRecoveryIsRefused() throws InterruptedException {
        JobSteps steps = new JobSteps(app, "tail-lift").toRun("LFT-312-B");
        TestWorld.act(app.world(), "/key/off");
        steps.run();
        Until.stays(
                Duration.ofMillis(2500), () -> steps.facts().run().orElseThrow().running());
        TestWorld.plug(app.world(), Conditions.ALMERY);
        TestWorld.act(app.world(), "/key/on");
        Until.so(() -> !steps.facts().run().orElseThrow().running());
        var run = steps.facts().run().orElseThrow();
        assertThat(run.sentence()).startsWith("The link was lost");
        assertThat(app.bean(RunStore.class).journal(run.id(), 500)).isEmpty();
        assertThat(sentence(app.bean(RunActs.class).recover(steps.number, "tech")))
                .contains("Another vehicle is on the cable");
    }

    @Test
    void anotherVehicleOnTheCable_isNoticedBeforeARunIsSent() throws InterruptedException {
        JobSteps steps = new JobSteps(app, "tail-lift").toRun("LFT-312-B");
        TestWorld.plug(app.world(), Conditions.ALMERY);
        List<String> all = steps.facts()
                .plan()
                .orElseThrow()
                .plan()
                .writes()
                .map(w -> w.key())
                .toList();
        assertThat(sentence(app.bean(RunActs.class).run(steps.number, all, "tech")))
                .contains("Another vehicle is on the cable");
        assertThat(TestWorld.look(app.world())
                        .path("modules")
                        .path("tail-lift")
                        .path("counter")
                        .asInt())
                .isEqualTo(1);
    }

    @Test
    void scanAfterThePlan_opensThePlanAgain() throws InterruptedException {
        JobSteps steps = new JobSteps(app, "tail-lift").toPlan();
        TestActs.of(app).keep(steps.number, HoldPoint.PLAN_AGREED, "tech", "");
        assertThat(HoldRules.progress(steps.facts()).passed(HoldPoint.PLAN_AGREED))
                .isTrue();
        steps.scan();
        assertThat(HoldRules.progress(steps.facts()).passed(HoldPoint.PLAN_AGREED))
                .isFalse();
        assertThat(HoldRules.progress(steps.facts()).passed(HoldPoint.IDENTITY_SETTLED))
                .isFalse();
        assertThat(sentence(TestActs.of(app).keep(steps.number, HoldPoint.PLAN_AGREED, "tech", "")))
                .contains("The VINs agree, or the donor is accepted");
        TestActs.of(app).keep(steps.number, HoldPoint.IDENTITY_SETTLED, "tech", "");
        assertThat(sentence(TestActs.of(app).keep(steps.number, HoldPoint.PLAN_AGREED, "tech", "")))
                .contains("rests on the newest scan");
        TestActs.of(app).plan(steps.number, "tech");
        TestActs.of(app).keep(steps.number, HoldPoint.PLAN_AGREED, "tech", "");
        assertThat(HoldRules.progress(steps.facts()).passed(HoldPoint.PLAN_AGREED))
                .isTrue();
    }

    @Test
    void authorisation_thatRunsOut_isNotBelievedForTheNextRun() throws InterruptedException {
        TestWorld.authority(app.world(), "tolvane-signing-office", "right?grant-seconds=8");
        JobIntake.Taken taken = app.bean(JobIntake.class)
                .take(new NewJobForm(Conditions.WISP.text(), "test", "CLEAR_FAULTS", "", ""), "tech");
        long number = ((JobIntake.Taken.Job) taken).number();
        TestActs.of(app).keep(number, HoldPoint.CONSENT, "tech", "");
        app.bean(BenchActs.class).ask(number, "tech");
        new JobSteps(app, number).scan();
        assertThat(app.bean(UnlockActs.class).authorise(number, "tech")).isInstanceOf(Acted.Done.class);
        assertThat(TestWorld.lookDoip(app.world()).path("gateway").asString()).isNotEqualTo("locked");
        var desk = app.bean(codrane.app.job.JobDesk.class);
        assertThat(desk.state(number).access().open()).isTrue();
        Until.so(() -> desk.state(number).access().expired());
        assertThat(desk.state(number).access().expired()).isTrue();
        assertThat(HoldRules.progress(desk.state(number)).hold(HoldPoint.AUTHORISED))
                .isEqualTo(codrane.core.plan.JobProgress.Hold.OPEN);
    }

    @Test
    void planThatHasEnded_isNamedAndNothingIsGranted() throws InterruptedException {
        TestWorld.authority(app.world(), "tolvane-signing-office", "right?plan-ended=yes");
        JobIntake.Taken taken = app.bean(JobIntake.class)
                .take(new NewJobForm(Conditions.WISP.text(), "test", "CLEAR_FAULTS", "", ""), "tech");
        long number = ((JobIntake.Taken.Job) taken).number();
        TestActs.of(app).keep(number, HoldPoint.CONSENT, "tech", "");
        app.bean(BenchActs.class).ask(number, "tech");
        new JobSteps(app, number).scan();
        assertThat(sentence(app.bean(UnlockActs.class).authorise(number, "tech")))
                .contains("The plan has ended");
        assertThat(TestWorld.lookDoip(app.world()).path("gateway").asString()).isEqualTo("locked");
    }

    @Test
    void wholeBlock_sameModuleAndSoftware_isRestoredToItsLastOctet() throws InterruptedException {
        String left = TestWorld.lookDoip(app.world())
                .path("modules")
                .path("climate")
                .path("coding")
                .toString();
        TestWorld.actDoip(app.world(), "/updated/climate");
        JobIntake.Taken taken = app.bean(JobIntake.class)
                .take(new NewJobForm(Conditions.WISP.text(), "test", "FIND_LOST_SETTING", "", ""), "tech");
        JobSteps steps = new JobSteps(app, ((JobIntake.Taken.Job) taken).number());
        TestActs acts = TestActs.of(app);
        BaselineActs baselines = app.bean(BaselineActs.class);
        acts.keep(steps.number, HoldPoint.CONSENT, "tech", "");
        app.bean(BenchActs.class).ask(steps.number, "tech");
        steps.scan();
        baselines.store(steps.number, "", "tech");
        steps.awaitTask();
        assertThat(sentence(app.bean(SettingActs.class).compare(steps.number, -1, "tech")))
                .contains("no earlier baseline of this vehicle");
        List<String> both = List.of("climate-main/*", "climate-main/prewarm");
        assertThat(sentence(app.bean(SettingActs.class).putBack(steps.number, both, "tech")))
                .contains("tick the one or the other");
        assertThat(sentence(app.bean(SettingActs.class).putBack(steps.number, List.of("body-main/*"), "tech")))
                .contains("is not lost");
        assertThat(app.bean(SettingActs.class).putBack(steps.number, List.of("climate-main/*"), "tech"))
                .isInstanceOf(Acted.Done.class);
        acts.plan(steps.number, "tech");
        acts.keep(steps.number, HoldPoint.PLAN_AGREED, "tech", "");
        assertThat(app.bean(UnlockActs.class).authorise(steps.number, "tech")).isInstanceOf(Acted.Done.class);
        Until.so(() -> HoldRules.progress(steps.facts())
                .openBefore(codrane.core.plan.Stage.RUN)
                .isEmpty());
        steps.run();
        Until.so(() -> !steps.facts().run().orElseThrow().running());
        assertThat(steps.facts().run().orElseThrow().finished()).isTrue();
        assertThat(TestWorld.lookDoip(app.world())
                        .path("modules")
                        .path("climate")
                        .path("coding")
                        .toString())
                .isEqualTo(left);
    }

    @Test
    void baselineOfAnotherVehicle_editedOrTwice_isNotTakenIn() throws InterruptedException {
        JobSteps steps = new JobSteps(app, "tail-lift").toPlan();
        Baselines baselines = app.bean(Baselines.class);
        BaselineImport imports = app.bean(BaselineImport.class);
        var job = steps.facts().job();
        BaselineSummary kept = steps.facts().baseline().orElseThrow();
        byte[] json = baselines.content(kept.id()).getBytes(StandardCharsets.UTF_8);
        var own = new BaselineImport.Vehicle(job.vehicleId(), job.vin(), job.packId());
        var other = new BaselineImport.Vehicle(job.vehicleId(), Conditions.LORNE_DONOR, job.packId());
        int before = baselines.ofVehicle(job.vehicleId()).size();
        assertThat(imports.take(other, json, "tech")).get().asString().contains("of another vehicle");
        assertThat(imports.take(own, json, "tech")).get().asString().contains("here already");
        assertThat(imports.take(own, "rubbish".getBytes(StandardCharsets.UTF_8), "tech"))
                .isNotEqualTo(Optional.empty());
        assertThat(baselines.ofVehicle(job.vehicleId())).hasSize(before);
    }

    @Test
    void baselineReadAgain_isComparedWithTheOneBefore() throws Exception {
        JobSteps steps = new JobSteps(app, "tail-lift").toPlan();
        long before = steps.facts().baseline().orElseThrow().id();
        WebSession web = WebSession.signIn(app.url(), "tech");
        String page = "/jobs/" + steps.number + "/baseline";
        assertThat(web.get(page))
                .contains("See what a function of another tool changes")
                .doesNotContain("/baselines/" + before + "/with/");
        web.post(page);
        steps.awaitTask();
        long after = steps.facts().baseline().orElseThrow().id();
        String compared = "/baselines/" + before + "/with/" + after;
        assertThat(web.get(page)).contains(compared);
        assertThat(web.get(compared)).contains("Settings 0", "Nothing differs here");
    }

    @Test
    void oddValue_besideHealthyVehicles_isShownAsOdd() throws Exception {
        TestWorld.act(app.world(), "/fault?spec=worn:module=engine,percent=60");
        JobSteps steps = new JobSteps(app, "tail-lift").toPlan();
        String page = WebSession.signIn(app.url(), "tech")
                .get("/baselines/" + steps.facts().baseline().orElseThrow().id());
        assertThat(page).contains("Far from what healthy vehicles show", "Rail pressure", "of 24");
    }

    @Test
    void vehicles_search_findsByAnyPartAndShowsTheNewestFirst() {
        assertThat(app.bean(Vehicles.class).lines("004127")).singleElement().satisfies(line -> {
            assertThat(line.vin()).isEqualTo(Conditions.LORNE);
            assertThat(line.jobs()).isPositive();
        });
        assertThat(app.bean(Vehicles.class).lines("wisp"))
                .isNotEmpty()
                .allMatch(l -> l.model().equals("Wisp"));
        assertThat(app.bean(Vehicles.class).lines("%")).hasSizeGreaterThan(20); // no pattern of the database
        assertThat(app.bean(Vehicles.class).lines(""))
                .isSortedAccordingTo(
                        java.util.Comparator.comparing(Vehicles.Line::lastSeen).reversed());
        assertThat(app.bean(Vehicles.class).lines("no such vehicle")).isEmpty();
    }
}
