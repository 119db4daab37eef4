package codrane.app;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.app.RunningApp.App;
import codrane.app.job.Acted;
import codrane.app.newjob.JobIntake;
import codrane.app.newjob.NewJobForm;
import codrane.app.stage.baseline.BaselineActs;
import codrane.app.stage.bench.BenchActs;
import codrane.core.job.JobRun;
import codrane.core.job.JobState;
import codrane.core.job.hold.HoldRules;
import codrane.core.octets.Bytes;
import codrane.core.pack.Pack;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.JobKind;
import codrane.core.plan.Stage;
import codrane.standin.Conditions;
import codrane.standin.StandinWorld;
import codrane.standin.vehicle.Setup;
import java.time.Duration;
import java.util.List;
import tools.jackson.databind.JsonNode;

/** Jobs that are taken in, planned and run by their acts, at a Lorne of their own. */
final class PlannedRuns {
    static final String WHO = "tech";
    private static final int SPEED = 20;
    private static final int DELIVERY = 40_000_000;
    static final Pack LORNE = TestWorld.pack("brennick-lorne");

    static StandinWorld world(Setup lorne, StandinWorld.Ports ports) throws Exception {
        return world(lorne, Conditions.standard(TestWorld.pack("tolvane-wisp")), ports);
    }

    static StandinWorld world(Setup can, Setup doip, StandinWorld.Ports ports) throws Exception {
        return new StandinWorld(
                new StandinWorld.Stock(List.of(can), List.of(doip), Duration.ofSeconds(1)), ports, SPEED, DELIVERY);
    }

    static JobSteps take(App app, JobKind kind, String vin, String module) {
        JobIntake.Taken taken = app.bean(JobIntake.class)
                .take(new NewJobForm(vin, "planned and run", kind.name(), module, "SECOND_HAND"), "desk");
        return new JobSteps(app, ((JobIntake.Taken.Job) taken).number());
    }

    static void done(Acted acted) {
        assertThat(acted).as(acted.toString()).isInstanceOf(Acted.Done.class);
    }

    static void toBaseline(App app, JobSteps job) throws Exception {
        TestActs acts = TestActs.of(app);
        done(acts.keep(job.number, HoldPoint.CONSENT, WHO, ""));
        done(app.bean(BenchActs.class).ask(job.number, WHO));
        job.scan();
        acts.waive(job.number, HoldPoint.IDENTITY_SETTLED, WHO, "as tested");
        done(app.bean(BaselineActs.class).store(job.number, "", WHO));
        job.awaitTask();
    }

    static void agreeAndRun(App app, JobSteps job) throws Exception {
        TestActs acts = TestActs.of(app);
        done(acts.keep(job.number, HoldPoint.PLAN_AGREED, WHO, ""));
        Until.so(() -> HoldRules.progress(job.facts()).openBefore(Stage.RUN).isEmpty());
        assertThat(HoldRules.progress(job.facts()).openBefore(Stage.RUN)).isEmpty();
        job.run();
        Until.so(() -> !run(job).running());
        assertThat(run(job)).as(run(job).toString()).matches(JobRun::finished);
        job.scan();
        JobState facts = job.facts();
        assertThat(facts.readBackTroubles().orElseThrow()).isEmpty();
        assertThat(HoldRules.progress(facts).passed(HoldPoint.READ_BACK_AGREES)).isTrue();
    }

    static JobRun run(JobSteps job) {
        return job.facts().run().orElseThrow();
    }

    static JsonNode module(StandinWorld world, String id) {
        return TestWorld.look(world).path("modules").path(id);
    }

    static String coding(JsonNode modules, String module, String block) {
        return modules.path(module).path("coding").path(block).asString();
    }

    /** Settings of a block that are not as they were. */
    static List<String> changes(StandinWorld world, String module, String block, String was) {
        Bytes is = Bytes.parse(module(world, module).path("coding").path(block).asString());
        return LORNE.layout(block).diff(Bytes.parse(was), is).stream()
                .map(c -> c.key() + ": " + c.from() + " → " + c.to())
                .toList();
    }

    private PlannedRuns() {}
}
