package codrane.app;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.app.RunningApp.App;
import codrane.core.plan.JobKind;
import codrane.standin.Conditions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** The label of the module that came out, where there is one. */
@ExtendWith(RunningApp.class)
class OldPartLabelTest {
    private final App app;

    OldPartLabelTest(App app) {
        this.app = app;
    }

    @Test
    void label_ofAReplacedModule_isThere_andOfNoOtherJob() throws Exception {
        AtDecide decide = new AtDecide(app, app.world());
        long replaces = decide.job(Conditions.LORNE, JobKind.REPLACE_MODULE, "tail-lift", "SECOND_HAND");
        WebSession web = WebSession.signIn(app.url(), "desk");
        assertThat(web.get("/jobs/" + replaces + "/old-part"))
                .contains(
                        "Tail lift of a Brennick Lorne",
                        "nobody read it before its removal",
                        Conditions.LORNE.text(),
                        "Its VIN can be written");
        assertThat(web.get("/jobs/" + replaces + "/record")).contains("/jobs/" + replaces + "/old-part");
        long looks = decide.job(Conditions.LORNE, JobKind.CHANGE_SETTING, "", "");
        assertThat(web.status("/jobs/" + looks + "/old-part")).isEqualTo(404);
        assertThat(web.get("/jobs/" + looks + "/record")).doesNotContain("/old-part");
    }

    /** Kept, and its way back: what its VIN allows decides. */
    @Test
    void oldModule_isKept_andGoesIntoAnotherVehicleOfItsKind_once() throws Exception {
        AtDecide decide = new AtDecide(app, app.world());
        long from = decide.job(Conditions.LORNE, JobKind.REPLACE_MODULE, "tail-lift", "SECOND_HAND");
        long body = decide.job(Conditions.LORNE, JobKind.REPLACE_MODULE, "body", "SECOND_HAND");
        long looks = decide.job(Conditions.LORNE, JobKind.CHANGE_SETTING, "", "");
        WebSession web = WebSession.signIn(app.url(), "tech");
        String act = "/parts/" + from;
        assertThat(web.follow(act, "state", "KEPT", "detail", "shelf B3"))
                .contains("Tail lift of a Brennick Lorne", "kept here: shelf B3", "job " + from, "gets the VIN");
        long other = decide.job(Conditions.LORNE, JobKind.REPLACE_MODULE, "tail-lift", "SECOND_HAND");
        assertThat(web.get("/jobs/" + other + "/intake")).contains("Old ones of ours", "(job " + from + "), kept here");
        assertThat(web.get("/jobs/" + body + "/intake")).doesNotContain("Old ones of ours");
        assertThat(web.get("/jobs/" + from + "/intake")).doesNotContain("Old ones of ours");
        assertThat(web.follow(act, "state", "SENT", "detail", "the specialist")).contains("It needs no cleaning");
        assertThat(web.follow("/parts/" + looks, "state", "KEPT", "detail", "shelf B3"))
                .contains("No module came out in job " + looks);
        assertThat(web.follow(act, "state", "FITTED", "detail", "")).contains("Say into which job it goes");
        assertThat(web.follow(act, "state", "FITTED", "detail", String.valueOf(body)))
                .contains("is not about the tail lift");
        assertThat(web.follow(act, "state", "KEPT", "detail", "x".repeat(121))).contains("at most 120 characters");
        assertThat(web.follow(act, "state", "FITTED", "detail", String.valueOf(from)))
                .contains("fitted again: job " + from)
                .doesNotContain("gets the VIN");
        assertThat(web.get("/jobs/" + other + "/intake")).doesNotContain("Old ones of ours");
        assertThat(web.follow(act, "state", "KEPT", "detail", "shelf B3")).contains("what became of it stands");
        WebSession trainee = WebSession.signIn(app.url(), "trainee");
        assertThat(trainee.get("/parts"))
                .contains("Tail lift of a Brennick Lorne")
                .doesNotContain("Note it");
    }
}
