package codrane.app;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.app.RunningApp.App;
import codrane.core.plan.JobKind;
import codrane.standin.Conditions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** The phone on the seat: the one prompt and the voltage, live, and nothing to press that writes. */
@ExtendWith(RunningApp.class)
class SeatTest {
    private final App app;

    SeatTest(App app) {
        this.app = app;
    }

    @Test
    void seat_showsPromptAndVoltage_warnsWhenItSags_andPressesNothing() throws Exception {
        long number = new AtDecide(app, app.world())
                .job(Conditions.LORNE, JobKind.REPLACE_MODULE, "tail-lift", "SECOND_HAND");
        try (Browsing phone = new Browsing(app.url(), "specialist")) {
            phone.page.setViewportSize(390, 844);
            phone.open("/jobs/" + number + "/now");
            String next = phone.next();
            phone.open("/jobs/" + number + "/seat");
            assertThat(phone.page.textContent("#said h1")).isEqualTo(next);
            phone.awaitShown(".display-1:has-text(\" V\")");
            assertThat(phone.page.locator("form").count()).isZero();
            assertThat(phone.page.locator(".display-1.bg-danger").count()).isZero();
            phone.page.click("button");
            phone.awaitShown("button:has-text(\"Be silent\")");
            TestWorld.act(app.world(), "/fault?spec=sag:volts=11.0,seconds=60");
            phone.awaitShown(".display-1.bg-danger");
            assertThat(phone.troubles()).isEmpty();
        } finally {
            TestWorld.asAtFirst(app);
        }
    }
}
