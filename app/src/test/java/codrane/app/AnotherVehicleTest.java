package codrane.app;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.app.RunningApp.App;
import codrane.app.job.Acted;
import codrane.app.live.JobTasks;
import codrane.app.newjob.JobIntake;
import codrane.app.newjob.NewJobForm;
import codrane.app.stage.baseline.BaselineActs;
import codrane.app.stage.bench.BenchActs;
import codrane.app.stage.identify.ScanActs;
import codrane.app.stage.intake.IntakeActs;
import codrane.app.stage.run.RunActs;
import codrane.app.stage.unlock.UnlockActs;
import codrane.core.job.IntakeNotes;
import codrane.core.job.JobState;
import codrane.core.job.hold.HoldRules;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.Operation;
import codrane.core.plan.Stage;
import codrane.standin.Conditions;
import codrane.standin.StandinWorld;
import codrane.standin.vehicle.Setup;
import java.time.Duration;
import java.util.List;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.JsonNode;

/** The interface is soon plugged into the next vehicle of the same model: nothing is read from it for this job, or written. */
class AnotherVehicleTest {
    private static final String WHO = "tech";
    private static StandinWorld world;
    private static App app;

    @BeforeAll
    static void start() throws Exception {
        var lorne = TestWorld.pack("brennick-lorne");
        world = new StandinWorld(
                new StandinWorld.Stock(
                        List.of(
                                Conditions.usedTailLift(lorne),
                                Setup.healthy(lorne, Conditions.LORNE_DONOR),
                                Conditions.lockedAlmery(TestWorld.pack("brennick-almery"))),
                        List.of(Conditions.standard(TestWorld.pack("tolvane-wisp"))),
                        Duration.ofSeconds(1)),
                StandinWorld.Ports.FREE,
                20,
                40_000_000);
        app = RunningApp.launch(world);
    }

    @AfterAll
    static void stop() throws Exception {
        app.context().close();
        world.close();
    }

    @BeforeEach
    void right() {
        TestWorld.plug(world, Conditions.LORNE);
    }

    private static String sentence(Acted acted) {
        return ((Acted.Refused) acted).sentence();
    }

    private static long rows(String table, long number) {
        return app.bean(JdbcClient.class)
                .sql("select count(*) from " + table + " t join job j on j.id = t.job_id where j.number = ?")
                .param(number)
                .query(Long.class)
                .single();
    }

    private static JobSteps job(String kind, String module) {
        JobIntake.Taken taken = app.bean(JobIntake.class)
                .take(new NewJobForm(Conditions.LORNE.text(), "test", kind, module, "SECOND_HAND"), WHO);
        JobSteps steps = new JobSteps(app, ((JobIntake.Taken.Job) taken).number());
        app.bean(IntakeActs.class).oldModule(steps.number, IntakeNotes.OldModule.OUT, WHO);
        TestActs.of(app).keep(steps.number, HoldPoint.CONSENT, WHO, "");
        return steps;
    }

    private static void waitsForAPerson(JobSteps steps) {
        JobState facts = steps.facts();
        assertThat(facts.benched().stranger()).isPresent();
        assertThat(HoldRules.progress(facts).passed(HoldPoint.LINK_PROVEN)).isFalse();
        assertThat(HoldRules.progress(facts).current()).isEqualTo(Stage.BENCH);
    }

    private static String taskError(JobSteps steps) throws InterruptedException {
        JobTasks tasks = app.bean(JobTasks.class);
        Until.so(() -> tasks.of(steps.number).map(JobTasks.Progress::ended).orElse(false));
        String error = tasks.of(steps.number).orElseThrow().error().orElse("");
        tasks.seen(steps.number);
        return error;
    }

    @Test
    void bench_onAnotherVehicle_namesItWithItsJobsAndProvesNothing() throws Exception {
        JobIntake.Taken other = app.bean(JobIntake.class)
                .take(new NewJobForm(Conditions.LORNE_DONOR.text(), "another", "BASELINE_ONLY", "", ""), WHO);
        JobSteps steps = job("REPLACE_MODULE", "tail-lift");
        TestWorld.plug(world, Conditions.LORNE_DONOR);
        assertThat(sentence(app.bean(BenchActs.class).ask(steps.number, WHO)))
                .contains("Another vehicle is on the cable", "…004131", "…004127")
                .contains(String.valueOf(((JobIntake.Taken.Job) other).number()));
        waitsForAPerson(steps);
        assertThat(steps.facts().benched().check()).isEmpty();
        TestWorld.plug(world, Conditions.LORNE);
        assertThat(app.bean(BenchActs.class).ask(steps.number, WHO)).isInstanceOf(Acted.Done.class);
        assertThat(steps.facts().benched().stranger()).isEmpty();
    }

    @Test
    void everyReading_onAnotherVehicle_keepsNothingOfIt() throws Exception {
        JobSteps steps = job("REPLACE_MODULE", "tail-lift").toScanned();
        long faults = steps.facts().faultsBefore().size();
        TestWorld.plug(world, Conditions.LORNE_DONOR);
        JsonNode held = TestWorld.look(world).path("modules");

        assertThat(app.bean(ScanActs.class).scan(steps.number, WHO)).isInstanceOf(Acted.Done.class);
        assertThat(taskError(steps)).contains("Another vehicle is on the cable", "Nothing that it said was kept");
        waitsForAPerson(steps);
        assertThat(rows("scan", steps.number)).isEqualTo(1);
        assertThat(sentence(app.bean(ScanActs.class).scan(steps.number, WHO))).contains("Bench comes before Identify");

        ask(steps);
        assertThat(sentence(app.bean(ScanActs.class).ask(steps.number, "67", WHO)))
                .contains("Another vehicle is on the cable");
        assertThat(rows("scan", steps.number)).isEqualTo(1);

        ask(steps);
        app.bean(BaselineActs.class).store(steps.number, "engine", WHO);
        assertThat(taskError(steps)).contains("Another vehicle is on the cable");
        assertThat(rows("baseline", steps.number)).isZero();
        assertThat(steps.facts().faultsBefore()).hasSize((int) faults);
        assertThat(TestWorld.look(world).path("modules")).isEqualTo(held);
    }

    /** Back on the right vehicle to prove the link, and onto the other again. */
    private static void ask(JobSteps steps) {
        TestWorld.plug(world, Conditions.LORNE);
        assertThat(app.bean(BenchActs.class).ask(steps.number, WHO)).isInstanceOf(Acted.Done.class);
        TestWorld.plug(world, Conditions.LORNE_DONOR);
    }

    @Test
    void run_releasedOnAnotherVehicle_writesNothingToIt() throws Exception {
        JobSteps steps = job("CLEAR_FAULTS", "");
        app.bean(BenchActs.class).ask(steps.number, WHO);
        steps.scan();
        TestActs.of(app).waive(steps.number, HoldPoint.IDENTITY_SETTLED, WHO, "as tested");
        app.bean(BaselineActs.class).store(steps.number, "", WHO);
        steps.awaitTask();
        TestActs.of(app).plan(steps.number, WHO);
        TestActs.of(app).keep(steps.number, HoldPoint.PLAN_AGREED, WHO, "");
        Until.so(() -> HoldRules.progress(steps.facts()).openBefore(Stage.RUN).isEmpty());
        List<String> all = steps.facts()
                .plan()
                .orElseThrow()
                .plan()
                .writes()
                .map(Operation::key)
                .toList();
        TestWorld.plug(world, Conditions.LORNE_DONOR);
        JsonNode held = TestWorld.look(world).path("modules");
        assertThat(sentence(app.bean(RunActs.class).run(steps.number, all, WHO)))
                .contains("Another vehicle is on the cable", "Nothing was written");
        assertThat(TestWorld.look(world).path("modules")).isEqualTo(held);
        assertThat(rows("run", steps.number)).isZero();
        waitsForAPerson(steps);
    }

    @Test
    void authorise_onAnotherVehicle_isRefused() throws Exception {
        JobIntake.Taken taken = app.bean(JobIntake.class)
                .take(new NewJobForm(Conditions.ALMERY.text(), "test", "CLEAR_FAULTS", "", ""), WHO);
        TestWorld.plug(world, Conditions.ALMERY);
        JobSteps steps = new JobSteps(app, ((JobIntake.Taken.Job) taken).number());
        TestActs.of(app).keep(steps.number, HoldPoint.CONSENT, WHO, "");
        app.bean(BenchActs.class).ask(steps.number, WHO);
        steps.scan();
        TestWorld.plug(world, Conditions.LORNE);
        assertThat(sentence(app.bean(UnlockActs.class).authorise(steps.number, WHO)))
                .contains("Another vehicle is on the cable");
    }

    /** What was accepted of a donor is about that module and that VIN, and a new scan asks again. */
    @Test
    void acceptedDonor_afterANewScan_isAskedAgain() throws Exception {
        JobSteps steps = job("REPLACE_MODULE", "tail-lift").toScanned();
        assertThat(HoldRules.progress(steps.facts()).passed(HoldPoint.IDENTITY_SETTLED))
                .isTrue();
        assertThat(steps.facts()
                        .personHold(HoldPoint.IDENTITY_SETTLED)
                        .orElseThrow()
                        .about()
                        .orElseThrow())
                .isEqualTo("tail-lift=" + Conditions.LORNE_DONOR.text());
        steps.scan();
        assertThat(HoldRules.progress(steps.facts()).passed(HoldPoint.IDENTITY_SETTLED))
                .isFalse();
    }

    /** A module that this job is not about is no expected donor: it can't be kept, only gone past with a reason. */
    @Test
    void anotherModulesDonor_isNotAcceptedAsThisJobsPart() throws Exception {
        JobSteps steps = job("CLEAR_FAULTS", "");
        app.bean(BenchActs.class).ask(steps.number, WHO);
        steps.scan();
        TestActs acts = TestActs.of(app);
        assertThat(sentence(acts.keep(steps.number, HoldPoint.IDENTITY_SETTLED, WHO, "")))
                .contains("Tail lift carries " + Conditions.LORNE_DONOR.text(), "this job does not write that");
        assertThat(acts.waive(steps.number, HoldPoint.IDENTITY_SETTLED, WHO, "job 2201 is about that"))
                .isInstanceOf(Acted.Done.class);
    }
}
