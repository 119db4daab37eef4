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
}
