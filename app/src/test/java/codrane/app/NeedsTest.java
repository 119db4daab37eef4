package codrane.app;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.app.RunningApp.App;
import codrane.app.decide.NeedStore;
import codrane.app.job.Acted;
import codrane.app.job.JobActs;
import codrane.app.job.NeedActs;
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
        app.bean(NeedStore.class).pass("brennick", Instant.now().minusSeconds(60), Instant.now(), "lead");
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
        return LocalDate.now(ZoneId.systemDefault()).plusDays(from).toString();
    }

    @Test
    void note_beforeThePlanIsAgreed_isRefused() {
        assertThat(pass().state()).isEqualTo(Need.State.TO_GET);
        assertThat(sentence(acts.note(job.number, "pass:brennick", false, day(1), "", "tech")))
                .contains("Decide comes before Prepare", "The plan is agreed to");
        app.bean(JobActs.class).keep(job.number, HoldPoint.PLAN_AGREED, "tech", "");
        assertThat(pass().state()).isEqualTo(Need.State.TO_GET);
        // that it is here already costs nothing
        assertThat(acts.note(job.number, "pass:brennick", true, "", "receipt 4417", "tech"))
                .isInstanceOf(Acted.Done.class);
        assertThat(pass().here()).isTrue();
    }

    @Test
    void note_askedForAfterAgreeing_waitsUntilItsDay() throws Exception {
        app.bean(JobActs.class).keep(job.number, HoldPoint.PLAN_AGREED, "tech", "");
        for (int i = 0; i < 800 && !job.facts().progress().passed(HoldPoint.POWER_READY); i++) Thread.sleep(100);
        assertThat(sentence(acts.note(job.number, "pass:brennick", false, day(-1), "", "tech")))
                .contains("today or later");
        assertThat(sentence(acts.note(job.number, "pass:brennick", false, "soon", "", "tech")))
                .contains("on which day");
        assertThat(acts.note(job.number, "pass:brennick", false, day(2), "ordered", "tech"))
                .isInstanceOf(Acted.Done.class);
        assertThat(pass().state()).isEqualTo(Need.State.ASKED);
        assertThat(job.facts().progress().passed(HoldPoint.EVERYTHING_HERE)).isFalse();
        assertThat(acts.forget(job.number, "pass:brennick", "tech")).isInstanceOf(Acted.Done.class);
        assertThat(pass().state()).isEqualTo(Need.State.TO_GET);
    }

    @Test
    void note_whatCodraneFindsOrThePlanDoesNotNeed_isRefused() {
        app.bean(JobActs.class).keep(job.number, HoldPoint.PLAN_AGREED, "tech", "");
        assertThat(sentence(acts.note(job.number, "line-sheet", true, "", "", "tech")))
                .contains("found by Codrane");
        assertThat(sentence(acts.note(job.number, "licence:body", true, "", "", "tech")))
                .contains("needs no such thing");
        assertThat(sentence(acts.note(job.number, "pass:brennick", true, "", "x".repeat(300), "tech")))
                .contains("200");
    }

    @Test
    void letter_whereNothingIsAskedForByMail_isRefused() {
        app.bean(JobActs.class).keep(job.number, HoldPoint.PLAN_AGREED, "tech", "");
        assertThat(sentence(acts.draft(job.number, "tail-lift", "tech")))
                .contains("Nothing of this is asked for by mail");
        assertThat(sentence(acts.send(job.number, "tail-lift", "tech"))).contains("Draft the letter first");
        assertThat(sentence(acts.look(job.number, "tail-lift", "tech"))).contains("Nothing was asked for");
    }
}
