package codrane.app;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.app.RunningApp.App;
import codrane.app.job.Acted;
import codrane.app.policy.Passes;
import codrane.app.stage.prepare.LetterActs;
import codrane.app.stage.prepare.NeedActs;
import codrane.core.job.hold.HoldRules;
import codrane.core.plan.HoldPoint;
import codrane.core.ready.Need;
import codrane.core.ready.Readiness;
import codrane.standin.StandinWorld;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** What people say about needs, and what they can't say; spend last. */
class NeedsTest {
    private static StandinWorld world;
    private static App app;

    private NeedActs acts;
    private JobSteps job;

    /** A vehicle of its own: on the shared one another test may have done the work already. */
    @BeforeAll
    static void start() throws Exception {
        world = TestWorld.standins(false, 20);
        app = RunningApp.launch(world);
    }

    @AfterAll
    static void stop() throws Exception {
        app.context().close();
        world.close();
    }

    /** A planned job whose pass has ended. */
    @BeforeEach
    void plan() throws Exception {
        acts = app.bean(NeedActs.class);
        app.bean(Passes.class).note("brennick", Instant.now().minusSeconds(60), "lead");
        job = new JobSteps(app, "tail-lift").toPlan();
    }

    private Need pass() {
        return job.facts().readiness().map(Readiness::needs).orElseThrow().stream()
                .filter(n -> n.kind() == Need.Kind.PASS)
                .findFirst()
                .orElseThrow();
    }

    private static String sentence(Acted acted) {
        return ((Acted.Refused) acted).sentence();
    }

    private static String day(int from) {
        return LocalDate.now(app.bean(ZoneId.class)).plusDays(from).toString();
    }

    @Test
    void note_beforeThePlanIsAgreed_isRefused() {
        assertThat(pass().state()).isEqualTo(Need.State.TO_GET);
        assertThat(sentence(acts.note(job.number, "pass:brennick", new NeedActs.Said(false, day(1), ""), "tech")))
                .contains("Decide comes before Prepare", "The plan is agreed to");
        TestActs.of(app).keep(job.number, HoldPoint.PLAN_AGREED, "tech", "");
        assertThat(pass().state()).isEqualTo(Need.State.TO_GET);
        // that it is here already costs nothing
        assertThat(acts.note(job.number, "pass:brennick", new NeedActs.Said(true, "", "receipt 4417"), "tech"))
                .isInstanceOf(Acted.Done.class);
        assertThat(pass().here()).isTrue();
    }

    @Test
    void note_askedForAfterAgreeing_waitsUntilItsDay() throws Exception {
        TestActs.of(app).keep(job.number, HoldPoint.PLAN_AGREED, "tech", "");
        Until.so(() -> HoldRules.progress(job.facts()).passed(HoldPoint.POWER_READY));
        assertThat(sentence(acts.note(job.number, "pass:brennick", new NeedActs.Said(false, day(-1), ""), "tech")))
                .contains("today or later");
        assertThat(sentence(acts.note(job.number, "pass:brennick", new NeedActs.Said(false, "soon", ""), "tech")))
                .contains("on which day");
        assertThat(acts.note(job.number, "pass:brennick", new NeedActs.Said(false, day(2), "ordered"), "tech"))
                .isInstanceOf(Acted.Done.class);
        assertThat(pass().state()).isEqualTo(Need.State.ASKED);
        assertThat(HoldRules.progress(job.facts()).passed(HoldPoint.EVERYTHING_HERE))
                .isFalse();
        assertThat(acts.forget(job.number, "pass:brennick", "tech")).isInstanceOf(Acted.Done.class);
        assertThat(pass().state()).isEqualTo(Need.State.TO_GET);
    }

    @Test
    void note_whatCodraneFindsOrThePlanDoesNotNeed_isRefused() {
        TestActs.of(app).keep(job.number, HoldPoint.PLAN_AGREED, "tech", "");
        assertThat(sentence(acts.note(job.number, "line-sheet", new NeedActs.Said(true, "", ""), "tech")))
                .contains("found by Codrane");
        assertThat(sentence(acts.note(job.number, "licence:body", new NeedActs.Said(true, "", ""), "tech")))
                .contains("needs no such thing");
        assertThat(sentence(
                        acts.note(job.number, "pass:brennick", new NeedActs.Said(true, "", "x".repeat(300)), "tech")))
                .contains("200");
    }

    @Test
    void letter_whereNothingIsAskedForByMail_isRefused() {
        TestActs.of(app).keep(job.number, HoldPoint.PLAN_AGREED, "tech", "");
        LetterActs letters = app.bean(LetterActs.class);
        assertThat(sentence(letters.draft(job.number, "tail-lift", "tech")))
                .contains("Nothing of this is asked for by mail");
        assertThat(sentence(letters.send(job.number, "tail-lift", "tech"))).contains("asked for by mail");
        assertThat(sentence(letters.look(job.number, "tail-lift", "tech"))).contains("asked for by mail");
    }
}
