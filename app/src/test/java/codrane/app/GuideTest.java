package codrane.app;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.app.RunningApp.App;
import codrane.core.plan.JobKind;
import codrane.standin.Conditions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** A second person beside a job: sees the same, points, confirms what a person confirms, and writes nothing. */
@ExtendWith(RunningApp.class)
class GuideTest {
    private final App app;

    GuideTest(App app) {
        this.app = app;
    }

    @Test
    void guide_pointsInAnotherBrowser_andIsToldThatItWasSeen() throws Exception {
        long number = new AtDecide(app, app.world())
                .job(Conditions.LORNE, JobKind.REPLACE_MODULE, "tail-lift", "SECOND_HAND");
        try (Browsing tech = new Browsing(app.url(), "tech");
                Browsing lead = new Browsing(app.url(), "lead")) {
            tech.open("/jobs/" + number + "/now");
            tech.page.click("text=For a second person");
            tech.open("/jobs/" + number + "/now");
            String next = tech.next();
            lead.open("/jobs/" + number + "/guide");
            assertThat(lead.page.textContent(".next h2")).isEqualTo(next);
            lead.awaitShown(".display-5:has-text(\" V\")");
            lead.page.selectOption("select[name=spot]", "supply");
            lead.page.fill("input[name=note]", "Clamps on the <b>battery</b>, not on the pole");
            lead.page.click("button:has-text(\"Point at it\")");
            tech.awaitShown(".pointer:has-text(\"lead points at the supply. Clamps on the <b>battery</b>\")");
            tech.awaitShown("[data-spot=supply].pointed");
            assertThat(tech.page.locator(".pointed").count()).isEqualTo(1);
            lead.awaitShown("[data-renew=pointer]:has-text(\"not yet seen\")");
            tech.page.click(".pointer button:has-text(\"Seen\")");
            tech.awaitGone(".pointer");
            lead.awaitShown("[data-renew=pointer]:has-text(\"Nothing is pointed at, or it was seen.\")");
            assertThat(tech.troubles()).isEmpty();
            assertThat(lead.troubles()).isEmpty();
        }
    }

    /** What is confirmed there counts as anywhere else; whoever may not, is not offered it; nothing is released there. */
    @Test
    void guide_confirmsAHoldPoint_ofWhoMayAndNothingElse() throws Exception {
        long number = new AtDecide(app, app.world())
                .job(Conditions.LORNE, JobKind.REPLACE_MODULE, "tail-lift", "SECOND_HAND");
        String guide = "/jobs/" + number + "/guide";
        WebSession tech = WebSession.signIn(app.url(), "tech");
        tech.follow("/jobs/" + number + "/plan");
        assertThat(WebSession.signIn(app.url(), "desk").query(guide))
                .contains("Agree to ")
                .doesNotContain("/hold/");
        try (Browsing lead = new Browsing(app.url(), "lead")) {
            lead.open(guide);
            lead.page.click("button:has-text(\"Agree to this plan\")");
            lead.awaitShown("h1:has-text(\"Beside the job\")");
            assertThat(lead.page.textContent(".next h2")).doesNotContain("Agree");
            assertThat(lead.page
                            .locator("form[action$='/run'], form[action$='/recover']")
                            .count())
                    .isZero();
        }
    }

    @Test
    void point_atNothingThatThereIs_isRefusedInASentence() throws Exception {
        long number = new AtDecide(app, app.world())
                .job(Conditions.LORNE, JobKind.REPLACE_MODULE, "tail-lift", "SECOND_HAND");
        WebSession lead = WebSession.signIn(app.url(), "lead");
        assertThat(lead.follow("/jobs/" + number + "/point", "spot", "moon")).contains("Choose what you point at.");
        assertThat(lead.status("/jobs/987654/guide")).isEqualTo(404);
    }
}
