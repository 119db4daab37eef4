package codrane.app;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.app.RunningApp.App;
import codrane.app.job.Acted;
import codrane.app.stage.decide.PlanActs;
import codrane.app.stage.decide.SettingActs;
import codrane.app.stage.prepare.NeedActs;
import codrane.app.stage.unlock.UnlockActs;
import codrane.core.coding.Layout;
import codrane.core.job.JobRun;
import codrane.core.job.RunTasks;
import codrane.core.job.hold.HoldRules;
import codrane.core.octets.Bytes;
import codrane.core.pack.Pack;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.JobKind;
import codrane.core.plan.Stage;
import codrane.core.ready.Need;
import codrane.standin.Conditions;
import codrane.standin.StandinWorld;
import codrane.standin.vehicle.Setup;
import java.time.Duration;
import java.util.List;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** K17: a variant of the announcements, chosen by what the microphone hears before and after. */
class VariantTest {
    private static final String WHO = "tech";
    private static final Pack CHORUS = TestWorld.pack("tolvane-chorus");
    static final String CODE = "PIER-2291-K7QX";

    @Test
    void k17_variant_isMeasuredLicensedWrittenAndMeasuredAgain() throws Exception {
        StandinWorld.Stock stock = new StandinWorld.Stock(
                List.of(Setup.healthy(TestWorld.pack("brennick-lorne"), Conditions.LORNE)),
                List.of(Setup.healthy(CHORUS, Conditions.CHORUS)),
                Duration.ofSeconds(1));
        try (StandinWorld world = new StandinWorld(stock, StandinWorld.Ports.FREE, 20, 40_000_000)) {
            App app = RunningApp.launch(world);
            JobSteps job =
                    new JobSteps(app, new AtDecide(app, world).job(Conditions.CHORUS, JobKind.CHOOSE_VARIANT, "", ""));
            WebSession tech = WebSession.signIn(app.url(), WHO);
            String page = "/jobs/" + job.number + "/sound";
            assertThat(tech.get(page)).contains("Nothing was measured yet", "The vehicle held “plain”");
            tech.post(page + "/listen", "name", "plain");
            assertThat(tech.get(page)).contains("with the simulated microphone").doesNotContain("is the flattest");
            JsonNode before = TestWorld.lookDoip(world).path("modules");
            plan(app, job, "speech");
            licence(app, job);
            assertThat(app.bean(UnlockActs.class).authorise(job.number, WHO)).isInstanceOf(Acted.Done.class);
            run(app, job, world);
            tech.post(page + "/listen", "name", "speech");
            assertThat(tech.get(page)).contains("speech is the flattest").doesNotContain("The vehicle holds");
            tech.post(page + "/forget", "name", "plain");
            assertThat(tech.get(page)).doesNotContain("is the flattest");
            assertThat(changes(before, TestWorld.lookDoip(world).path("modules")))
                    .containsExactly("announcements announce-main variant: plain → speech");
            sellersAdvice(app, job, world, tech);
            assertThat(changes(before, TestWorld.lookDoip(world).path("modules")))
                    .containsExactly("announcements announce-main variant: plain → wide");
            putBack(job, tech);
            app.context().close();
        }
    }

    /** The seller knows better: it is tried in the same job, from what the vehicle holds now. */
    private static void sellersAdvice(App app, JobSteps job, StandinWorld world, WebSession tech) throws Exception {
        String page = "/jobs/" + job.number + "/sound";
        tech.post(page + "/seller", "advice", "loud");
        assertThat(tech.get(page)).contains("The module has no such variant: it has plain, speech, wide.");
        tech.post(page + "/seller", "advice", "wide");
        assertThat(tech.get(page)).contains("The seller advises “wide”: it was not heard yet.");
        SettingActs acts = app.bean(SettingActs.class);
        assertThat(acts.setting(job.number, "announce-main/variant", "wide", WHO)
                        .toString())
                .contains("Scan first");
        job.scan();
        plan(app, job, "wide");
        assertThat(job.reasons()).contains("Sound variant: speech → wide.");
        run(app, job, world);
        tech.post(page + "/listen", "name", "wide");
        assertThat(tech.get(page))
                .contains("The seller advises “wide”, which strays by", "the microphone says otherwise");
    }

    /** What is worse goes back with a press, as a plan like any other. */
    private static void putBack(JobSteps job, WebSession tech) throws Exception {
        job.scan();
        assertThat(tech.get("/jobs/" + job.number + "/decide")).contains("wide, is there already");
        assertThat(tech.get("/jobs/" + job.number + "/prove")).contains("How it sounds now");
        assertThat(tech.get("/jobs/" + job.number + "/sound")).contains("Put “speech” back");
        tech.post("/jobs/" + job.number + "/decide/setting", "setting", "announce-main/variant", "value", "speech");
        assertThat(job.facts().plan().orElseThrow().plan().blocks()).isEmpty();
        assertThat(job.reasons()).contains("Sound variant: wide → speech.");
        assertThat(tech.get("/jobs/" + job.number + "/sound")).doesNotContain("Put “speech” back");
    }

    private static void plan(App app, JobSteps job, String variant) {
        done(app.bean(SettingActs.class).setting(job.number, "announce-main/variant", variant, WHO));
        done(app.bean(PlanActs.class).plan(job.number, WHO));
        assertThat(RunTasks.unable(job.facts())).isEmpty();
        done(TestActs.of(app).keep(job.number, HoldPoint.PLAN_AGREED, WHO, ""));
    }

    private static void licence(App app, JobSteps job) {
        NeedActs needs = app.bean(NeedActs.class);
        Need licence = job.facts().readiness().orElseThrow().needs().stream()
                .filter(n -> n.kind() == Need.Kind.LICENCE)
                .findFirst()
                .orElseThrow();
        assertThat(needs.note(job.number, licence.key(), new NeedActs.Said(true, "", "PIER-22O1-K7QX"), WHO)
                        .toString())
                .contains("no licence code of this kind", "Was it PIER-2201-K7QX");
        assertThat(needs.note(job.number, licence.key(), new NeedActs.Said(true, "", "pier-2291-k7qx"), WHO)
                        .toString())
                .contains("Position 1 is \"p\"");
        done(needs.note(job.number, licence.key(), new NeedActs.Said(true, "", CODE), WHO));
    }

    private static void run(App app, JobSteps job, StandinWorld world) throws Exception {
        List<HoldPoint> last = List.of(HoldPoint.NO_WAY_BACK);
        Until.so(() -> last.containsAll(HoldRules.progress(job.facts()).openBefore(Stage.RUN)));
        TestActs.of(app).keep(job.number, HoldPoint.NO_WAY_BACK, WHO, "");
        job.run();
        turnTheKey(job, world);
        Until.so(() -> !job.facts().run().orElseThrow().running());
        assertThat(job.facts().run().orElseThrow())
                .as(job.facts().run().orElseThrow().toString())
                .matches(JobRun::finished);
    }

    /** First too early, which does not count. */
    private static void turnTheKey(JobSteps job, StandinWorld world) {
        Until.so(() -> RunTasks.awaitsKey(job.facts().run().orElseThrow()));
        TestWorld.actDoip(world, "/key/off");
        Until.later(Duration.ofSeconds(3));
        TestWorld.actDoip(world, "/key/on");
        Until.stays(Duration.ofSeconds(3), () -> job.facts().run().orElseThrow().running());
        TestWorld.actDoip(world, "/key/off");
        Until.later(JobAnswers.OFF_LONG_ENOUGH);
        TestWorld.actDoip(world, "/key/on");
    }

    private static List<String> changes(JsonNode before, JsonNode after) {
        return before.propertyNames().stream()
                .flatMap(module -> CHORUS.blocksOf(CHORUS.module(module)).stream()
                        .flatMap(layout ->
                                layout.diff(block(before, module, layout), block(after, module, layout)).stream()
                                        .map(c -> module + " " + layout.id() + " " + c.key() + ": " + c.from() + " → "
                                                + c.to())))
                .toList();
    }

    private static Bytes block(JsonNode modules, String module, Layout layout) {
        return Bytes.parse(modules.path(module).path("coding").path(layout.id()).asString());
    }

    private static void done(Acted acted) {
        assertThat(acted).as(acted.toString()).isInstanceOf(Acted.Done.class);
    }
}
