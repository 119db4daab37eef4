package codrane.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;

import codrane.app.RunningApp.App;
import codrane.app.job.Acted;
import codrane.app.job.JobDesk;
import codrane.app.photos.Photos;
import codrane.app.shelf.MakerServiceClient;
import codrane.app.stage.decide.PlanActs;
import codrane.app.stage.intake.IntakeActs;
import codrane.app.stage.intake.IntakeForm;
import codrane.core.job.BeforeAgreeing;
import codrane.core.job.JobState;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.JobKind;
import codrane.core.plan.Operation;
import codrane.core.plan.Plan;
import codrane.standin.Conditions;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** Who works, and with what: facts of a plan that is made in the pages. */
@ExtendWith(RunningApp.class)
class AtHandInPagesTest {
    private final App app;

    AtHandInPagesTest(App app) {
        this.app = app;
    }

    private JobState facts(long number) {
        return app.bean(JobDesk.class).state(number);
    }

    private static void done(Acted acted) {
        assertThat(acted).isInstanceOf(Acted.Done.class);
    }

    @Test
    void whoWorksAndWirelessInterface_changeThePlan_andWhatTheySayIsDoneLeavesItStanding() throws Exception {
        long number = new AtDecide(app, app.world())
                .job(Conditions.LORNE, JobKind.REPLACE_MODULE, "tail-lift", "SECOND_HAND");
        done(app.bean(IntakeActs.class).note(number, worksOnIt("trainee"), "tech"));
        overTheAir(number, true);
        try {
            done(app.bean(PlanActs.class).plan(number, "tech"));
            Plan plan = facts(number).plan().orElseThrow().plan();
            assertThat(plan.operations())
                    .filteredOn(o -> o.kind() == Operation.Kind.SET_UP)
                    .singleElement()
                    .satisfies(o -> assertThat(o.title()).isEqualTo("Go over from wireless to the cable"));
            assertThat(plan.operations())
                    .filteredOn(o -> o.kind() == Operation.Kind.PROGRAM || o.kind() == Operation.Kind.WRITE_CODING)
                    .isNotEmpty()
                    .allSatisfy(o -> assertThat(o.holds()).contains(HoldPoint.LEAD_APPROVED));
        } finally {
            overTheAir(number, false);
        }
        assertThat(BeforeAgreeing.factsChanged(facts(number))).isFalse();
        done(app.bean(IntakeActs.class).note(number, worksOnIt("tech"), "tech"));
        assertThat(BeforeAgreeing.factsChanged(facts(number))).isTrue();
    }

    @Test
    void noInternet_blocksWhatWaitsForTheAuthority() throws Exception {
        long number = new AtDecide(app, app.world()).job(Conditions.ALMERY, JobKind.CLEAR_FAULTS, "", "");
        done(app.bean(PlanActs.class).plan(number, "tech"));
        assertThat(facts(number).plan().orElseThrow().plan().blocks()).isEmpty();
        WebSession tech = WebSession.signIn(app.url(), "tech");
        tech.post("/jobs/" + number + "/bench-notes", "online", "no");
        assertThat(tech.get("/jobs/" + number + "/bench")).contains("<option value=\"no\" selected=\"selected\">");
        done(app.bean(PlanActs.class).plan(number, "tech"));
        assertThat(facts(number).plan().orElseThrow().plan().blocks())
                .containsExactly("There is no internet, and the authorisation of the gateway can't be got without it.");
    }

    /** A vehicle that was programmed since: what was changed then is not on the sheet. */
    @Test
    void sheetOlderThanTheLastProgramming_saysSoWhereItIsReadAndInThePlan() throws Exception {
        TestWorld.plug(app.world(), Conditions.LORNE);
        JobSteps steps = new JobSteps(app, "tail-lift").toPlan();
        done(TestActs.of(app).keep(steps.number, HoldPoint.PLAN_AGREED, "tech", ""));
        String page = "/jobs/" + steps.number + "/prepare";
        String sheet = app.bean(MakerServiceClient.class)
                .lineSheet(TestWorld.pack("brennick-lorne"), "tail-lift", Conditions.LORNE);
        WebSession tech = WebSession.signIn(app.url(), "tech");
        assertThat(tech.get(page)).contains("A photo of it, to type from").doesNotContain("Photo of the line sheet");
        ByteArrayOutputStream png = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(60, 40, BufferedImage.TYPE_INT_RGB), "png", png);
        IntakeActs intake = app.bean(IntakeActs.class);
        done(intake.photo(steps.number, png.toByteArray(), "the plate", "tech"));
        assertThat(tech.get(page)).doesNotContain("Photo of the line sheet");
        done(intake.photo(steps.number, png.toByteArray(), Photos.SHEET, "tech"));
        assertThat(tech.get(page)).contains("Photo of the line sheet", "/jobs/" + steps.number + "/photos/");
        tech.post("/jobs/" + steps.number + "/line-sheet-pasted", "text", sheet, "day", "2023-02-30");
        assertThat(facts(steps.number).sheet()).isEmpty();
        tech.post("/jobs/" + steps.number + "/line-sheet-pasted", "text", sheet, "day", "2024-06-01");
        assertThat(tech.get(page)).contains("At hand, from pasted").doesNotContain("what was changed since");
        tech.post("/jobs/" + steps.number + "/line-sheet-pasted", "text", sheet, "day", "2023-06-01");
        String stale = "and something was programmed on 11 Mar 2024: what was changed since is not in it.";
        assertThat(tech.get(page)).contains("The sheet is of 1 Jun 2023, " + stale);
        done(app.bean(PlanActs.class).plan(steps.number, "tech"));
        assertThat(facts(steps.number).plan().orElseThrow().plan().operations())
                .anyMatch(o -> o.reasons().stream().anyMatch(r -> r.contains(stale)));
    }

    /** The interface goes over, and has said so. */
    private void overTheAir(long number, boolean wireless) {
        TestWorld.act(app.world(), wireless ? "/wireless" : "/wired");
        await().until(() -> facts(number).access().tool().orElseThrow().wireless() == wireless);
    }

    private static IntakeForm worksOnIt(String name) {
        return new IntakeForm(null, null, null, null, null, null, null, null, null, name, null, null, null);
    }
}
