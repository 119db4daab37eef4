package codrane.app;

import static codrane.app.PlannedRuns.LORNE;
import static codrane.app.PlannedRuns.WHO;
import static codrane.app.PlannedRuns.agreeAndRun;
import static codrane.app.PlannedRuns.changes;
import static codrane.app.PlannedRuns.coding;
import static codrane.app.PlannedRuns.done;
import static codrane.app.PlannedRuns.take;
import static codrane.app.PlannedRuns.toBaseline;
import static codrane.app.PlannedRuns.world;
import static org.assertj.core.api.Assertions.assertThat;

import codrane.app.RunningApp.App;
import codrane.app.stage.decide.SettingActs;
import codrane.core.job.Scan;
import codrane.core.job.VehicleSettings;
import codrane.core.plan.JobKind;
import codrane.standin.Conditions;
import codrane.standin.StandinWorld;
import codrane.standin.vehicle.Setup;
import java.time.Duration;
import java.util.List;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Settings found among hundreds, looked at bit by bit, planned from there, and what the vehicle holds after it. */
class LoomTest {
    @Test
    void settings_foundByWordAndPlanned_changeTheirBitsAndNoOther() throws Exception {
        try (StandinWorld world = world(Setup.healthy(LORNE, Conditions.LORNE), StandinWorld.Ports.FREE)) {
            App app = RunningApp.launch(world);
            JobSteps job = take(app, JobKind.CHANGE_SETTING, Conditions.LORNE.text(), "");
            WebSession web = WebSession.signIn(app.url(), "tech");
            String loom = "/jobs/" + job.number + "/coding";
            assertThat(web.status(loom)).as("nothing was read yet").isEqualTo(404);
            toBaseline(app, job);
            JsonNode before = TestWorld.look(world).path("modules");

            assertThat(web.query(loom + "?find=reading+lamp+second"))
                    .contains("Body: Reading lamp second row: brightness", "reading.lamp.second.row.fades")
                    .doesNotContain("Step lamp left");
            assertThat(web.query(loom + "?find=nothing+like+this")).contains("No setting has these words");
            String act = "/jobs/" + job.number + "/decide/setting";
            String was = VehicleSettings.of(job.facts(), scan(job))
                    .one("body-cabin/step.lamp.left.doors")
                    .orElseThrow()
                    .now();
            String to = was.equals("side door") ? "any door" : "side door";
            assertThat(web.query(loom + "?setting=body-cabin/step.lamp.left.doors"))
                    .contains("Make it “" + to + "”", "BOD/")
                    .doesNotContain("Make it “" + was + "”", "One setting changes here");
            favourites(web, loom);
            assertThat(web.post(act, "setting", "body-cabin/step.lamp.left.doors", "value", to, "loom", "true"))
                    .isEqualTo(loom);
            assertThat(web.query(loom + "?block=body-cabin"))
                    .contains("One setting changes here", "the check follows", "was ");
            // beyond its limit: said, and nothing chosen
            web.post(act, "setting", "body-cabin/step.lamp.left.stays", "value", "1000", "loom", "true");
            assertThat(web.query(loom + "?setting=body-cabin%2Fstep.lamp.left.stays")) // as it led
                    .contains("0 s to 240 s", "be 1000")
                    .doesNotContain("The nearest that it can hold");
            done(TestActs.of(app).plan(job.number, WHO));
            agreeAndRun(app, job);
            assertThat(changes(world, "body", "body-cabin", coding(before, "body", "body-cabin")))
                    .containsExactly("step.lamp.left.doors: " + was + " → " + to);
            JsonNode after = TestWorld.look(world).path("modules");
            for (String block : List.of("body-main", "body-lamps", "body-outside", "body-locks"))
                assertThat(coding(after, "body", block)).isEqualTo(coding(before, "body", block));
            putBack(app, world, before, was, to);
            app.context().close();
        }
    }

    private static void favourites(WebSession web, String loom) throws Exception {
        String doors = "body-cabin/step.lamp.left.doors";
        assertThat(web.query(loom)).doesNotContain("Kept at hand:");
        assertThat(favourite(web, loom, doors, true)).isEqualTo(loom);
        assertThat(web.query(loom)).contains("Kept at hand:", "Step lamp left: goes on with the doors");
        assertThat(web.query(loom + "?setting=" + doors)).contains("No longer keep it at hand");
        favourite(web, loom, "body-cabin/none", true);
        assertThat(web.query(loom + "?setting=body-cabin%2Fnone")).contains("No vehicle here has this setting.");
        favourite(web, loom, doors, false);
        assertThat(web.query(loom)).doesNotContain("Kept at hand:");
    }

    private static String favourite(WebSession web, String loom, String setting, boolean on) throws Exception {
        String job = loom.split("/")[2];
        return web.post(
                "/favourites", "pack", "brennick-lorne", "setting", setting, "job", job, "on", String.valueOf(on));
    }

    /** For a resale: another job finds what this workshop changed, and puts it back. */
    private static void putBack(App app, StandinWorld world, JsonNode before, String was, String to) throws Exception {
        JobSteps job = take(app, JobKind.CHANGE_SETTING, Conditions.LORNE.text(), "");
        toBaseline(app, job);
        WebSession web = WebSession.signIn(app.url(), "tech");
        assertThat(web.get("/jobs/" + job.number + "/decide"))
                .contains("Step lamp left: goes on with the doors", to + " → " + was);
        SettingActs settings = app.bean(SettingActs.class);
        assertThat(settings.asBefore(job.number, List.of("body-cabin/step.lamp.right.doors"), WHO)
                        .toString())
                .contains("was not changed here");
        assertThat(settings.asBefore(job.number, List.of(), WHO).toString()).contains("Tick what goes back");
        web.post("/jobs/" + job.number + "/decide/as-before", "setting", "body-cabin/step.lamp.left.doors");
        done(TestActs.of(app).plan(job.number, WHO));
        agreeAndRun(app, job);
        JsonNode now = TestWorld.look(world).path("modules");
        for (String block : List.of("body-cabin", "body-main", "body-lamps"))
            assertThat(coding(now, "body", block)).isEqualTo(coding(before, "body", block));
    }

    @Test
    void law_isSaidOfTheSetting_andSearchIsQuick() throws Exception {
        try (StandinWorld world = world(Setup.healthy(LORNE, Conditions.LORNE), StandinWorld.Ports.FREE)) {
            App app = RunningApp.launch(world);
            JobSteps job = take(app, JobKind.CHANGE_SETTING, Conditions.LORNE.text(), "");
            toBaseline(app, job);
            WebSession web = WebSession.signIn(app.url(), "tech");
            String loom = "/jobs/" + job.number + "/coding";
            assertThat(web.query(loom + "?setting=brakes-helps/hill.start.up.keeps"))
                    .contains("lead approves", "Order part 6");
            assertThat(web.query(loom + "?setting=engine-aids/fan.first.runs.on"))
                    .contains("not done", "emissions");
            assertThat(web.query(loom + "?find=hopper")).contains("No setting has these words");
            VehicleSettings settings = VehicleSettings.of(job.facts(), scan(job));
            assertThat(settings.all()).hasSizeGreaterThan(600);
            settings.find("lamp");
            long begin = System.nanoTime();
            for (int i = 0; i < 20; i++) assertThat(settings.find("lamp")).isNotEmpty();
            assertThat(Duration.ofNanos((System.nanoTime() - begin) / 20)).isLessThan(Duration.ofMillis(50));
            app.context().close();
        }
    }

    private static Scan scan(JobSteps job) {
        return job.facts().before().orElseThrow();
    }
}
