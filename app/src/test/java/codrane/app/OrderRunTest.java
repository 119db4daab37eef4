package codrane.app;

import static codrane.app.PlannedRuns.LORNE;
import static codrane.app.PlannedRuns.WHO;
import static codrane.app.PlannedRuns.agreeAndRun;
import static codrane.app.PlannedRuns.changes;
import static codrane.app.PlannedRuns.coding;
import static codrane.app.PlannedRuns.done;
import static codrane.app.PlannedRuns.module;
import static codrane.app.PlannedRuns.run;
import static codrane.app.PlannedRuns.take;
import static codrane.app.PlannedRuns.toBaseline;
import static codrane.app.PlannedRuns.world;
import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;

import codrane.app.RunningApp.App;
import codrane.app.interfaces.BenchInterface;
import codrane.app.interfaces.Interfaces;
import codrane.app.live.JobTasks;
import codrane.app.live.RunStore;
import codrane.app.stage.decide.DecideActs;
import codrane.core.job.BeforeAgreeing;
import codrane.core.job.JobRun;
import codrane.core.job.RunTasks;
import codrane.core.job.hold.HoldRules;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.JobKind;
import codrane.core.plan.Operation;
import codrane.core.plan.Stage;
import codrane.standin.Conditions;
import codrane.standin.StandinWorld;
import codrane.standin.vehicle.Setup;
import java.time.Duration;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** A changed vehicle order: what the vehicle holds afterwards, what a person starts, and whether it slept. */
class OrderRunTest {
    @Test
    void k8_changedOrder_reachesEveryModuleThatFollowsFromItAndNoOther() throws Exception {
        try (StandinWorld world = world(Setup.healthy(LORNE, Conditions.LORNE), StandinWorld.Ports.FREE)) {
            App app = RunningApp.launch(world);
            JobSteps job = take(app, JobKind.RETROFIT, Conditions.LORNE.text(), "");
            toBaseline(app, job);
            JsonNode before = TestWorld.look(world).path("modules");
            done(app.bean(DecideActs.class).order(job.number, List.of("USE3"), List.of("USE2"), WHO));
            done(TestActs.of(app).plan(job.number, WHO));
            assertThat(BeforeAgreeing.of(job.facts())).isEmpty();
            agreeAndRun(app, job);
            JsonNode after = TestWorld.look(world).path("modules");
            for (String holder : List.of("body", "instruments"))
                assertThat(after.path(holder).path("order").asString())
                        .startsWith("MKT1 LFT1 PNT1 ")
                        .isEqualTo(before.path(holder).path("order").asString().replace(" USE3", "") + " USE2");
            assertThat(changes(world, "body", "body-main", coding(before, "body", "body-main")))
                    .containsExactly("use: patient transport → minibus");
            assertThat(changes(
                            world,
                            "instruments",
                            "instruments-main",
                            coding(before, "instruments", "instruments-main")))
                    .containsExactly("greeting: patient transport → minibus");
            for (String id : before.propertyNames())
                if (!Set.of("body", "instruments").contains(id))
                    assertThat(after.path(id).path("coding"))
                            .as(id)
                            .isEqualTo(before.path(id).path("coding"));
            sleepIsSeen(app, world, job);
            app.context().close();
        }
    }

    /** The wire is silent for as long as the modules take, then nothing answers; a key that is on is said at once. */
    private static void sleepIsSeen(App app, StandinWorld world, JobSteps job) throws Exception {
        WebSession tech = WebSession.signIn(app.url(), "tech");
        String page = "/jobs/" + job.number + "/settle";
        assertThat(tech.get(page)).contains("Let the modules sleep", "The key is off: watch it sleep");
        tech.post("/jobs/" + job.number + "/settle-sleep");
        Until.so(() -> app.bean(JobTasks.class).busy(job.number).isEmpty());
        assertThat(tech.get(page)).contains("The key is still on: turn it off");
        TestWorld.act(world, "/key/off");
        letRest(app);
        tech.post("/jobs/" + job.number + "/settle-sleep", "once", "pressed again");
        Until.so(() -> app.bean(JobTasks.class).busy(job.number).isEmpty());
        assertThat(job.facts().sleepSeen()).isPresent();
        assertThat(job.facts().sleepSeen().orElseThrow().asleep()).isTrue();
        assertThat(tech.get(page))
                .contains("Nothing answers any more: turn the key on again", "Nothing answered any more");
        done(TestActs.of(app).keep(job.number, HoldPoint.SETTLED, WHO, ""));
        TestWorld.act(world, "/key/on");
        assertThat(HoldRules.progress(job.facts()).passed(HoldPoint.SETTLED)).isTrue();
    }

    /** A vehicle whose key is off is not asked by anything that only watches: it would never fall asleep. */
    private static void letRest(App app) {
        BenchInterface bench = app.bean(Interfaces.class).of(LORNE).orElseThrow();
        Until.so(bench::resting);
        int before = bench.trace().events().size();
        Until.later(Duration.ofSeconds(4));
        assertThat(bench.trace().events()).hasSize(before);
    }

    /** What moves waits for somebody who looks, and for the doors; then the vehicle has learned, and the run goes on. */
    @Test
    void k8_doorsThatLearn_areStartedByAPerson_underTheirConditions() throws Exception {
        try (StandinWorld world = world(Setup.healthy(LORNE, Conditions.LORNE), StandinWorld.Ports.FREE)) {
            App app = RunningApp.launch(world);
            JobSteps job = take(app, JobKind.RETROFIT, Conditions.LORNE.text(), "");
            toBaseline(app, job);
            String order = module(world, "body").path("order").asString();
            done(app.bean(DecideActs.class).order(job.number, List.of(), List.of("RMP1"), WHO));
            done(TestActs.of(app).plan(job.number, WHO));
            assertThat(BeforeAgreeing.of(job.facts())).isEmpty();
            done(TestActs.of(app).keep(job.number, HoldPoint.PLAN_AGREED, WHO, ""));
            Until.so(() -> HoldRules.progress(job.facts()).openBefore(Stage.RUN).isEmpty());
            assertThat(RunTasks.leg(job.facts())).extracting(Operation::kind).doesNotContain(Operation.Kind.RELEARN);
            job.run();
            Until.so(() -> !run(job).running());
            assertThat(run(job).state()).isEqualTo(JobRun.State.STOPPED);
            assertThat(run(job).sentence()).contains("\"Doors learn their ways\" is started by somebody who looks");
            assertThat(module(world, "body").path("order").asString()).isEqualTo(order + " RMP1");
            assertThat(module(world, "doors").path("settled").asBoolean()).isFalse();
            assertThat(RunTasks.leg(job.facts()).getFirst().kind()).isEqualTo(Operation.Kind.RELEARN);
            TestWorld.act(world, "/doors/open");
            job.run();
            await().during(Duration.ofSeconds(3)) // the doors stand open: nothing moves
                    .atMost(Duration.ofSeconds(20))
                    .until(() -> run(job).running() && started(app, job) == 0);
            TestWorld.act(world, "/doors/closed");
            Until.so(() -> !run(job).running());
            assertThat(run(job)).as(run(job).toString()).matches(JobRun::finished);
            assertThat(started(app, job)).isEqualTo(1);
            TestWorld.act(world, "/key/off");
            Until.so(() -> TestWorld.look(world).path("asleep").asBoolean());
            assertThat(module(world, "doors").path("settled").asBoolean()).isTrue(); // it learned, and has slept
            TestWorld.act(world, "/key/on");
            job.scan();
            assertThat(job.facts().readBackTroubles().orElseThrow()).isEmpty();
            app.context().close();
        }
    }

    /** How often the doors' routine was begun. */
    private static long started(App app, JobSteps job) {
        return app.bean(RunStore.class).journal(run(job).id(), 500).stream()
                .filter(row -> row.request().equals("31010203"))
                .count();
    }
}
