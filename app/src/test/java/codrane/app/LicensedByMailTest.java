package codrane.app;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.app.RunningApp.App;
import codrane.app.job.Acted;
import codrane.app.stage.prepare.GapActs;
import codrane.app.stage.prepare.LetterActs;
import codrane.app.stage.prepare.NeedActs;
import codrane.core.job.JobRun;
import codrane.core.job.ReferenceCoding;
import codrane.core.job.hold.HoldRules;
import codrane.core.pack.Pack;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.JobKind;
import codrane.core.plan.Stage;
import codrane.core.ready.Need;
import codrane.standin.Conditions;
import codrane.standin.StandinWorld;
import codrane.standin.module.FactoryCoding;
import java.util.Map;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/**
 * A new steering module that holds nothing, licensed work: its file comes by mail, its coding from another vehicle of the
 * model, setting by setting where that one and the factory disagree.
 */
class LicensedByMailTest {
    private static final String WHO = "tech";
    private static final Pack DUNLIN = TestWorld.pack("peregil-dunlin");

    @Test
    void k15_steering_isProgrammedByMail_andCodedAsAPersonJudged() throws Exception {
        try (StandinWorld world = TestWorld.with(Conditions.newSteering(DUNLIN))) {
            App app = RunningApp.launch(world);
            JobSteps job = new JobSteps(
                    app,
                    new AtDecide(app, world).job(Conditions.DUNLIN_HEAVY, JobKind.REPLACE_LICENSED, "steering", "NEW"));
            agree(app, job);
            byMail(app, job);
            assertThat(need(job, Need.Kind.REFERENCE).here()).isTrue(); // two of the archive, which disagree
            for (Need need : job.facts().readiness().orElseThrow().missing())
                done(app.bean(NeedActs.class).note(job.number, need.key(), new NeedActs.Said(true, "", ""), WHO));
            judge(app, job);
            Until.so(() -> HoldRules.progress(job.facts()).openBefore(Stage.RUN).isEmpty());
            run(app, world, job);
            JsonNode steering = TestWorld.look(world).path("modules").path("steering");
            assertThat(steering.path("software").asString()).isEqualTo("1.7");
            assertThat(steering.path("coding").path("steering-main").asString())
                    .isEqualTo(FactoryCoding.block(
                                    DUNLIN,
                                    DUNLIN.layouts().get("steering-main"),
                                    Conditions.DUNLIN_HEAVY,
                                    Map.of("assist", "normal"))
                            .hex());
            assertThat(steering.path("coding").path("steering-feel").asString())
                    .isEqualTo(
                            FactoryCoding.block(DUNLIN, DUNLIN.layouts().get("steering-feel"), Conditions.DUNLIN_HEAVY)
                                    .hex());
            job.scan();
            assertThat(job.facts().readBackTroubles().orElseThrow()).isEmpty();
            app.context().close();
        }
    }

    private static void agree(App app, JobSteps job) {
        TestActs acts = TestActs.of(app);
        done(acts.plan(job.number, WHO));
        assertThat(job.facts().planHolds(HoldPoint.GAPS_CONFIRMED)).isTrue();
        if (job.facts().planHolds(HoldPoint.LEAD_APPROVED))
            done(acts.keep(job.number, HoldPoint.LEAD_APPROVED, "lead", ""));
        done(acts.keep(job.number, HoldPoint.PLAN_AGREED, WHO, ""));
    }

    private static void byMail(App app, JobSteps job) throws Exception {
        LetterActs letters = app.bean(LetterActs.class);
        done(letters.draft(job.number, "steering", WHO));
        Until.so(() -> letters.send(job.number, "steering", WHO) instanceof Acted.Done); // once the supply is measured
        Until.so(() -> letters.look(job.number, "steering", WHO) instanceof Acted.Done);
        assertThat(job.facts().calibration()).isPresent();
    }

    /** Only where the sources disagree somebody is asked; nothing is chosen for them, and nothing else is taken. */
    private static void judge(App app, JobSteps job) throws Exception {
        TestActs acts = TestActs.of(app);
        GapActs gaps = app.bean(GapActs.class);
        ReferenceCoding coding = ReferenceCoding.of(job.facts()).orElseThrow();
        assertThat(coding.gaps().stream().map(ReferenceCoding.Line::key)).containsExactly("steering-main/assist");
        assertThat(coding.gaps().getFirst().judged()).isEmpty();
        assertThat(acts.keep(job.number, HoldPoint.GAPS_CONFIRMED, WHO, "").toString())
                .contains("1 setting of the steering is not judged yet.");
        assertThat(gaps.judge(job.number, Map.of("steering-main/assist", "heavy"), WHO)
                        .toString())
                .contains("Steering assistance is light or normal. Nothing was kept.");
        assertThat(gaps.judge(job.number, Map.of(), WHO).toString()).contains("Choose at least one value first.");
        try (Browsing tech = new Browsing(app.url(), WHO)) {
            tech.open("/jobs/" + job.number + "/prepare");
            tech.awaitNext("Judge the coding of the steering");
            assertThat(tech.page
                            .locator("input[name='steering-main/assist']:checked")
                            .count())
                    .isZero();
            tech.page.check("input[name='steering-main/assist'][value='normal']");
            tech.page.click("button:has-text(\"Keep what I judged\")");
            tech.awaitNext("Every gap is judged: is it right so?");
            tech.act("It is right so");
            assertThat(tech.troubles()).isEmpty();
        }
        Until.so(() -> HoldRules.progress(job.facts()).passed(HoldPoint.GAPS_CONFIRMED));
        done(gaps.judge(job.number, Map.of("steering-main/assist", "light"), WHO));
        assertThat(HoldRules.progress(job.facts()).passed(HoldPoint.GAPS_CONFIRMED))
                .isFalse(); // of another choice
        done(gaps.judge(job.number, Map.of("steering-main/assist", "normal"), WHO));
        done(acts.keep(job.number, HoldPoint.GAPS_CONFIRMED, WHO, ""));
    }

    private static void run(App app, StandinWorld world, JobSteps job) throws Exception {
        if (job.facts().planHolds(HoldPoint.NO_WAY_BACK))
            done(TestActs.of(app).keep(job.number, HoldPoint.NO_WAY_BACK, WHO, ""));
        for (int leg = 0; leg < 4; leg++) {
            job.run();
            Until.so(() -> !last(job).running());
            if (last(job).finished()) return;
            assertThat(last(job).sentence()).contains("is started by somebody who looks");
            TestWorld.act(world, "/key/running"); // straight ahead is learned so
        }
    }

    private static Need need(JobSteps job, Need.Kind kind) {
        return job.facts().readiness().orElseThrow().needs().stream()
                .filter(n -> n.kind() == kind)
                .findFirst()
                .orElseThrow();
    }

    private static JobRun last(JobSteps job) {
        return job.facts().run().orElseThrow();
    }

    private static void done(Acted acted) {
        assertThat(acted).as(acted.toString()).isInstanceOf(Acted.Done.class);
    }
}
