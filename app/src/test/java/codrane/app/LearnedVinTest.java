package codrane.app;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.app.RunningApp.App;
import codrane.app.job.Acted;
import codrane.app.newjob.JobIntake;
import codrane.app.newjob.NewJobForm;
import codrane.app.stage.baseline.BaselineActs;
import codrane.app.stage.bench.BenchActs;
import codrane.app.stage.prepare.SheetActs;
import codrane.core.job.BeforeAgreeing;
import codrane.core.job.JobRun;
import codrane.core.job.hold.HoldRules;
import codrane.core.pack.Pack;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.JobKind;
import codrane.core.plan.Stage;
import codrane.standin.Conditions;
import codrane.standin.StandinWorld;
import codrane.standin.module.FactoryCoding;
import codrane.standin.module.Part;
import codrane.standin.vehicle.Setup;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** A door module out of another van learns the VIN from the body module, and gets this vehicle's coding. */
class LearnedVinTest {
    private static final String WHO = "tech";
    private static final Pack LORNE = TestWorld.pack("brennick-lorne");

    private static void done(Acted acted) {
        assertThat(acted).as(acted.toString()).isInstanceOf(Acted.Done.class);
    }

    @Test
    void k13_doors_learnTheVin_andAreCodedAgain() throws Exception {
        Setup setup = Setup.healthy(LORNE, Conditions.LORNE)
                .with(
                        "doors",
                        Part.used(
                                Conditions.LORNE_DONOR,
                                LORNE.module("doors").software().current()));
        try (StandinWorld world = TestWorld.with(setup)) {
            App app = RunningApp.launch(world);
            long number = ((JobIntake.Taken.Job) app.bean(JobIntake.class)
                            .take(
                                    new NewJobForm(
                                            Conditions.LORNE.text(), "doors", JobKind.LEARN_VIN.name(), "doors", ""),
                                    "desk"))
                    .number();
            JobSteps job = new JobSteps(app, number);
            TestActs acts = TestActs.of(app);
            done(acts.keep(number, HoldPoint.CONSENT, WHO, ""));
            done(app.bean(BenchActs.class).ask(number, WHO));
            job.scan();
            done(acts.waive(number, HoldPoint.IDENTITY_SETTLED, WHO, "the donor is known"));
            done(app.bean(BaselineActs.class).store(number, "", WHO));
            job.awaitTask();
            done(acts.plan(number, WHO));
            assertThat(BeforeAgreeing.of(job.facts())).isEmpty();
            done(acts.keep(number, HoldPoint.PLAN_AGREED, WHO, ""));
            if (job.facts().planHolds(HoldPoint.SHEET_CHECKED))
                done(app.bean(SheetActs.class).fetch(number, WHO));
            Until.so(() -> HoldRules.progress(job.facts()).openBefore(Stage.RUN).isEmpty());
            job.run();
            Until.so(() -> !run(job).running());
            assertThat(run(job).sentence()).contains("is started by somebody who looks"); // the doors learn their ways
            job.run();
            Until.so(() -> !run(job).running());
            assertThat(run(job)).as(run(job).toString()).matches(JobRun::finished);
            JsonNode doors = TestWorld.look(world).path("modules").path("doors");
            assertThat(doors.path("vin").asString()).isEqualTo(Conditions.LORNE.text());
            assertThat(doors.path("coding").path("doors-main").asString())
                    .isEqualTo(FactoryCoding.block(LORNE, LORNE.layouts().get("doors-main"), Conditions.LORNE)
                            .hex());
            assertThat(WebSession.signIn(app.url(), WHO).get("/jobs/" + number + "/record"))
                    .contains(Conditions.LORNE_DONOR.text() + " → " + Conditions.LORNE.text())
                    .doesNotContain("software 0BK");
            job.scan();
            assertThat(job.facts().readBackTroubles().orElseThrow()).isEmpty();
            app.context().close();
        }
    }

    private static JobRun run(JobSteps job) {
        return job.facts().run().orElseThrow();
    }
}
