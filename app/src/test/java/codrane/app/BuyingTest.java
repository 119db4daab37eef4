package codrane.app;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.app.RunningApp.App;
import codrane.app.job.Acted;
import codrane.app.stage.prepare.PrepareActs;
import codrane.app.stage.prepare.SheetActs;
import codrane.core.job.JobRun;
import codrane.core.job.hold.HoldRules;
import codrane.core.pack.Pack;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.JobKind;
import codrane.core.plan.Stage;
import codrane.standin.Conditions;
import codrane.standin.StandinWorld;
import java.time.Duration;
import java.util.List;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** What costs is asked once, with its price; what was paid is not paid again. */
class BuyingTest {
    private static final int SPEED = 20;
    private static final int DELIVERY = 40_000_000;
    private static final String FILE = "SPR-26-D";
    private static final String COST = "80 cr and 1 token";

    private static String sentence(Acted acted) {
        return ((Acted.Refused) acted).sentence();
    }

    @Test
    void k10_fileOfTheNewSpreader_isBoughtForThePriceThatWasAgreed_andOnce() throws Exception {
        Pack gannet = TestWorld.pack("ardwyn-gannet");
        try (StandinWorld world = new StandinWorld(
                new StandinWorld.Stock(
                        List.of(Conditions.usedTailLift(TestWorld.pack("brennick-lorne"))),
                        List.of(Conditions.newSpreader(gannet)),
                        Duration.ofSeconds(1)),
                StandinWorld.Ports.FREE,
                SPEED,
                DELIVERY)) {
            App app = RunningApp.launch(world);
            long number =
                    new AtDecide(app, world).job(Conditions.GANNET_OLDER, JobKind.REPLACE_BY_NEW, "spreader", "NEW");
            assertThat(TestActs.of(app).plan(number, "tech")).isInstanceOf(Acted.Done.class);
            TestActs.of(app).waive(number, HoldPoint.LEAD_APPROVED, "lead", "as tested");
            PrepareActs prepares = app.bean(PrepareActs.class);
            assertThat(sentence(prepares.fetch(number, FILE, COST, "tech"))).contains("The plan is agreed to");
            assertThat(TestActs.of(app).keep(number, HoldPoint.PLAN_AGREED, "tech", ""))
                    .isInstanceOf(Acted.Done.class);
            Until.so(() -> HoldRules.progress(new JobSteps(app, number).facts()).passed(HoldPoint.POWER_READY));
            for (String notTold : List.of("", "1 cr", COST + " ", "80 cr"))
                assertThat(sentence(prepares.fetch(number, FILE, notTold, "tech")))
                        .isEqualTo("It costs " + COST + ": agree to that price first.");
            JobSteps steps = new JobSteps(app, number);
            assertThat(steps.facts().calibration()).isEmpty();
            assertThat(prepares.fetch(number, FILE, COST, "tech")).isInstanceOf(Acted.Done.class);
            steps.awaitTask();
            assertThat(steps.facts().calibration().orElseThrow().manifest().id())
                    .isEqualTo(FILE);
            assertThat(prepares.fetch(number, FILE, "", "tech")) // it is on the shelf: nothing is paid
                    .isInstanceOf(Acted.Done.class);
            steps.awaitTask();
            run(app, world, steps);
            app.context().close();
        }
    }

    /** The blank part gets everything; its zero is found when somebody looks on. */
    private static void run(App app, StandinWorld world, JobSteps job) throws Exception {
        assertThat(app.bean(SheetActs.class).fetch(job.number, "tech")).isInstanceOf(Acted.Done.class);
        Until.so(() -> HoldRules.progress(job.facts()).openBefore(Stage.RUN).isEmpty());
        TestWorld.actDoip(world, "/start/inhibited"); // as the plan says
        job.run();
        Until.so(() -> !job.facts().run().orElseThrow().running());
        assertThat(job.facts().run().orElseThrow().sentence()).contains("\"Empty hopper is weighed\" is started");
        job.run();
        Until.so(() -> !job.facts().run().orElseThrow().running());
        assertThat(job.facts().run().orElseThrow()).matches(JobRun::finished);
        JsonNode spreader = TestWorld.lookDoip(world).path("modules").path("spreader");
        assertThat(spreader.path("software").asString()).isEqualTo("2.6");
        assertThat(spreader.path("vin").asString()).isEqualTo(Conditions.GANNET_OLDER.text());
        job.scan();
        assertThat(job.facts().readBackTroubles().orElseThrow()).isEmpty();
    }
}
