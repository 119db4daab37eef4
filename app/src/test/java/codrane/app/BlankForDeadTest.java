package codrane.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;

import codrane.app.RunningApp.App;
import codrane.app.job.Acted;
import codrane.app.stage.decide.PlanActs;
import codrane.app.stage.intake.IntakeActs;
import codrane.app.stage.intake.IntakeForm;
import codrane.app.stage.prepare.DailyCodeActs;
import codrane.app.stage.prepare.GapActs;
import codrane.app.stage.prepare.NeedActs;
import codrane.app.stage.prepare.OrderTypedActs;
import codrane.core.job.CarryCard;
import codrane.core.job.JobRun;
import codrane.core.job.ReferenceCoding;
import codrane.core.job.RunTasks;
import codrane.core.job.act.SpendingTooEarly;
import codrane.core.job.hold.HoldRules;
import codrane.core.octets.Bytes;
import codrane.core.pack.Pack;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.JobKind;
import codrane.core.plan.Stage;
import codrane.standin.Conditions;
import codrane.standin.StandinWorld;
import codrane.standin.module.AccessCodes;
import codrane.standin.module.FactoryCoding;
import java.time.Duration;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/**
 * A blank body module for the burnt one that held the vehicle's data: order from the papers, coding from the order and from
 * other vehicles of the model, members paired, keys learned with another tool and counted.
 */
class BlankForDeadTest {
    private static final String WHO = "tech";
    private static final Pack DUNLIN = TestWorld.pack("peregil-dunlin");
    private static final Map<String, String> JUDGED = Map.of("body-comfort/lock.walk", "yes");

    @Test
    void k12_body_getsOrderCodingAndMembers_andSaysWhatAnotherToolDoes() throws Exception {
        try (StandinWorld world = TestWorld.with(Conditions.blankBody(DUNLIN))) {
            App app = RunningApp.launch(world);
            JobSteps job = new JobSteps(
                    app, new AtDecide(app, world).job(Conditions.DUNLIN, JobKind.REPLACE_DEAD, "body", "NEW"));
            plan(app, job);
            order(app, job);
            judge(app, job);
            codes(app, job);
            releasable(app, job);
            runs(job);
            assertThat(last(job).sentence()).contains("\"Learn 2 keys\" is done with");
            carried(app, job);
            runs(job);
            assertThat(last(job).sentence()).isEqualTo("Body knows 0 keys, and 2 are here.");
            TestWorld.act(world, "/keys/learned");
            TestWorld.act(world, "/keys/learned");
            for (int leg = 0; leg < 3 && !last(job).finished(); leg++) runs(job);
            assertThat(last(job)).as(last(job).toString()).matches(JobRun::finished);
            assertThat(CarryCard.of(job.facts())).isEmpty();
            holds(world);
            job.scan();
            assertThat(job.facts().readBackTroubles().orElseThrow()).isEmpty();
            app.context().close();
        }
    }

    private static void plan(App app, JobSteps job) {
        TestActs acts = TestActs.of(app);
        IntakeForm keys = new IntakeForm(
                null, null, null, null, null, null, "2", "3", "papers and the owner", null, null, null, null);
        done(app.bean(IntakeActs.class).note(job.number, keys, "desk"));
        done(app.bean(PlanActs.class).plan(job.number, WHO));
        assertThat(RunTasks.unable(job.facts())).isEmpty();
        done(acts.keep(job.number, HoldPoint.LEAD_APPROVED, "lead", ""));
        done(acts.keep(job.number, HoldPoint.PLAN_AGREED, WHO, ""));
    }

    private static void order(App app, JobSteps job) throws Exception {
        OrderTypedActs orders = app.bean(OrderTypedActs.class);
        assertThat(gaps(job)).contains("body-main/use", "body-main/meter");
        assertThat(orders.type(job.number, "TAX1 SGN9", WHO).toString())
                .contains("\"SGN9\" is no code of this model", "Nothing was kept.");
        done(orders.type(job.number, "tax1, sgn1 mtr1", WHO));
        assertThat(gaps(job)).containsExactly("body-comfort/lock.walk"); // the rest follows from the order
        assertThat(page(app, job)).contains("TAX1", "Roof sign", "the vehicle order", "1 of 2 others");
    }

    /** The other tool starts from what was read back here; no code of the vehicle is told to everybody. */
    private static void carried(App app, JobSteps job) throws Exception {
        WebSession trainee = WebSession.signIn(app.url(), "trainee");
        assertThat(trainee.get("/jobs/" + job.number + "/run")).contains("/jobs/" + job.number + "/carry");
        assertThat(trainee.get("/jobs/" + job.number + "/carry"))
                .contains("Learn 2 keys", "Heron Peregil", Conditions.DUNLIN.text(), "TAX1 SGN1 MTR1")
                .contains("2 here of 3", "Done here already", "Pair the engine", "The access code is not on this card")
                .doesNotContain(AccessCodes.of(Conditions.DUNLIN, 6));
    }

    private static String page(App app, JobSteps job) throws Exception {
        return WebSession.signIn(app.url(), WHO).get("/jobs/" + job.number + "/prepare");
    }

    private static List<String> gaps(JobSteps job) {
        return ReferenceCoding.of(job.facts()).orElseThrow().gaps().stream()
                .map(ReferenceCoding.Line::key)
                .toList();
    }

    private static void judge(App app, JobSteps job) {
        done(app.bean(GapActs.class).judge(job.number, JUDGED, WHO));
    }

    private static void codes(App app, JobSteps job) throws Exception {
        NeedActs needs = app.bean(NeedActs.class);
        done(needs.note(job.number, "keys", new NeedActs.Said(true, "", "the third was lost"), WHO));
        WebSession tech = WebSession.signIn(app.url(), WHO);
        String code = AccessCodes.of(Conditions.DUNLIN, 6);
        tech.post("/jobs/" + job.number + "/codes", "kind", "access-code", "code", code, "codeAgain", code);
        daily(app, job);
    }

    /** Bought last: its price is agreed to, a lost answer may have cost, one of yesterday is not kept; nowhere in the open. */
    private static void daily(App app, JobSteps job) throws Exception {
        DailyCodeActs daily = app.bean(DailyCodeActs.class);
        await().atMost(Duration.ofSeconds(60))
                .until(() -> SpendingTooEarly.open(job.facts()).isEmpty());
        assertThat(daily.buy(job.number, 12, WHO).toString()).contains("It costs 38 cr now", "Nothing was paid");
        TestWorld.service(app.world(), "/peregil/daily-code/down");
        assertThat(daily.buy(job.number, 38, WHO).toString()).contains("can't be reached", "Nothing was paid");
        TestWorld.service(app.world(), "/peregil/daily-code/cut");
        assertThat(daily.buy(job.number, 38, WHO).toString()).contains("Whether it was paid is not known");
        TestWorld.service(app.world(), "/peregil/daily-code/slow");
        assertThat(daily.buy(job.number, 38, WHO).toString()).contains("It is not kept");
        TestWorld.service(app.world(), "/peregil/daily-code/right");
        WebSession tech = WebSession.signIn(app.url(), WHO);
        tech.post("/jobs/" + job.number + "/codes/price");
        assertThat(page(app, job)).contains("Code of the day: not here yet");
        tech.post("/jobs/" + job.number + "/codes/bought", "agreed", "38");
        String code = AccessCodes.ofDay(DUNLIN.maker(), LocalDate.now(java.time.ZoneOffset.UTC));
        assertThat(page(app, job)).contains("Code of the day: kept encrypted").doesNotContain(code);
        assertThat(daily.buy(job.number, 38, WHO).toString()).contains("here already. Nothing was paid");
    }

    private static void releasable(App app, JobSteps job) {
        done(TestActs.of(app).keep(job.number, HoldPoint.GAPS_CONFIRMED, WHO, ""));
        await().atMost(Duration.ofSeconds(60))
                .untilAsserted(() -> assertThat(HoldRules.progress(job.facts()).openBefore(Stage.RUN))
                        .as(job.facts().readiness().orElseThrow().missing().toString())
                        .isSubsetOf(HoldPoint.NO_WAY_BACK));
        done(TestActs.of(app).keep(job.number, HoldPoint.NO_WAY_BACK, WHO, ""));
    }

    private static void runs(JobSteps job) throws Exception {
        job.run();
        Until.so(() -> !last(job).running());
    }

    private static void holds(StandinWorld world) {
        JsonNode modules = TestWorld.look(world).path("modules");
        JsonNode body = modules.path("body");
        assertThat(body.path("vin").asString()).isEqualTo(Conditions.DUNLIN.text());
        assertThat(body.path("order").asString().strip()).isEqualTo("TAX1 SGN1 MTR1");
        Map<String, String> values = new HashMap<>();
        JUDGED.forEach((key, value) -> values.put(key.replaceAll(".*/", ""), value));
        for (var layout : DUNLIN.blocksOf(DUNLIN.module("body")))
            assertThat(Bytes.parse(body.path("coding").path(layout.id()).asString()))
                    .as(layout.id())
                    .isEqualTo(FactoryCoding.block(DUNLIN, layout, Conditions.DUNLIN, values));
        for (String member : List.of("engine", "key-reader"))
            assertThat(modules.path(member).path("paired").asBoolean())
                    .as(member)
                    .isTrue();
    }

    private static JobRun last(JobSteps job) {
        return job.facts().run().orElseThrow();
    }

    private static void done(Acted acted) {
        assertThat(acted).as(acted.toString()).isInstanceOf(Acted.Done.class);
    }
}
