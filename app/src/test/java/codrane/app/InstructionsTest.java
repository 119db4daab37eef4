package codrane.app;

import static codrane.app.PlannedRuns.LORNE;
import static codrane.app.PlannedRuns.WHO;
import static codrane.app.PlannedRuns.agreeAndRun;
import static codrane.app.PlannedRuns.coding;
import static codrane.app.PlannedRuns.done;
import static codrane.app.PlannedRuns.take;
import static codrane.app.PlannedRuns.toBaseline;
import static codrane.app.PlannedRuns.world;
import static org.assertj.core.api.Assertions.assertThat;

import codrane.app.RunningApp.App;
import codrane.core.coding.Field;
import codrane.core.coding.Layout;
import codrane.core.octets.Bytes;
import codrane.core.pack.Places;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.JobKind;
import codrane.standin.Conditions;
import codrane.standin.StandinWorld;
import codrane.standin.vehicle.Setup;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** An instruction from elsewhere: judged, kept with its source, and known to the next job with what came of it. */
class InstructionsTest {
    private static final Layout CABIN = LORNE.layout("body-cabin");

    @Test
    void instructions_twoOfOneBlock_areBothWritten_andTheNextJobKnowsThatTheyWorked() throws Exception {
        try (StandinWorld world = world(Setup.healthy(LORNE, Conditions.LORNE), StandinWorld.Ports.FREE)) {
            App app = RunningApp.launch(world);
            JobSteps job = take(app, JobKind.CHANGE_LINE, Conditions.LORNE.text(), "");
            toBaseline(app, job);
            Bytes before = cabin(world);
            Bytes left = changed(before, "step.lamp.left.doors");
            Bytes both = changed(left, "step.lamp.right.doors");
            String first = line(before, left, "step.lamp.left.doors");
            String second = line(left, both, "step.lamp.right.doors");
            WebSession tech = WebSession.signIn(app.url(), WHO);
            String decide = "/jobs/" + job.number + "/decide";
            String act = decide + "/line";
            assertThat(tech.follow(act, "line", first, "years", "2001", "source", "a club"))
                    .contains("The instruction is for model year 2001");
            assertThat(tech.follow(act, "line", first, "years", "lately")).contains("Model years are typed as");
            String other = first.replace(": %02X".formatted(octet(before)), ": %02X".formatted(octet(before) ^ 0xFF));
            assertThat(tech.follow(act, "line", other)).contains("it is for another layout, or somebody changed it");
            assertThat(tech.follow(act, "line", "BOD/03 octet 16: 31"))
                    .contains("Type it like", "value=\"BOD/03 octet 16: 31\"");
            assertThat(job.facts().putBack()).isEmpty();
            tech.post(act, "line", first, "source", "another club");
            assertThat(job.facts().decided().instructions()).hasSize(1);
            tech.post(decide + "/setting-out", "setting", CABIN.id() + "/*");
            assertThat(job.facts().decided().instructions()).isEmpty();
            tech.post(act, "line", first, "source", "a club of the trade", "about", "Step lamp with the doors");
            tech.post(act, "line", second);
            assertThat(tech.get(decide)).contains("Found: " + first.replace(">", "&gt;") + ": a club of the trade");
            done(TestActs.of(app).plan(job.number, WHO));
            assertThat(tech.get(decide))
                    .contains("its check byte is computed anew", "Step lamp left: goes on with the doors: ")
                    .doesNotContain("as they were left");
            assertThat(cabin(world)).as("planning writes nothing").isEqualTo(before);
            assertThat(tech.get("/jobs/" + job.number + "/prepare")).contains("a club of the trade");
            agreeAndRun(app, job);
            assertThat(cabin(world)).isEqualTo(both);

            JobSteps next = take(app, JobKind.CHANGE_LINE, Conditions.LORNE.text(), "");
            toBaseline(app, next);
            String page = "/jobs/" + next.number + "/decide";
            assertThat(tech.get(page))
                    .contains("a club of the trade", "nobody said yet", "it is for another layout")
                    .doesNotContain("Take it");
            TestActs acts = TestActs.of(app);
            if (!job.facts().leftToSettle().isEmpty()) done(acts.keep(job.number, HoldPoint.SETTLED, WHO, ""));
            done(acts.keep(job.number, HoldPoint.FUNCTION_TESTED, WHO, ""));
            assertThat(tech.get(page)).contains("worked in job " + job.number);
            assertThat(tech.get("/jobs/" + job.number + "/record")).contains("found: a club of the trade");
            app.context().close();
        }
    }

    private static int octet(Bytes block) {
        return block.u8(CABIN.field("step.lamp.left.doors").orElseThrow().at() / 8);
    }

    /** Another value that the setting lists. */
    private static Bytes changed(Bytes block, String key) {
        Field field = CABIN.field(key).orElseThrow();
        String other = field.values().values().stream()
                .sorted()
                .filter(value -> !value.equals(field.read(block)))
                .findFirst()
                .orElseThrow();
        return ((Layout.Encoded.Block) CABIN.encode(Map.of(key, other), block)).octets();
    }

    private static String line(Bytes from, Bytes to, String key) {
        int at = CABIN.field(key).orElseThrow().at() / 8;
        assertThat(to.u8(at)).isNotEqualTo(from.u8(at));
        return "%s: %02X -> %02X"
                .formatted(Places.of(LORNE, LORNE.module("body"), CABIN.id(), at), from.u8(at), to.u8(at));
    }

    private static Bytes cabin(StandinWorld world) {
        return Bytes.parse(coding(TestWorld.look(world).path("modules"), "body", CABIN.id()));
    }
}
