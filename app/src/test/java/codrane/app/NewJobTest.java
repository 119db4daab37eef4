package codrane.app;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.app.RunningApp.App;
import codrane.app.newjob.JobIntake;
import codrane.app.newjob.NewJobForm;
import codrane.standin.Conditions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** The form of a new job says what is known already, and offers only what this vehicle has. */
@ExtendWith(RunningApp.class)
class NewJobTest {
    private final App app;

    NewJobTest(App app) {
        this.app = app;
    }

    private long open() {
        JobIntake.Taken taken = app.bean(JobIntake.class)
                .take(new NewJobForm(Conditions.LORNE.text(), "test", "REPLACE_MODULE", "tail-lift", "NEW"), "lead");
        return ((JobIntake.Taken.Job) taken).number();
    }

    @Test
    void vin_ofAVehicleWithAnOpenJob_namesTheJob() {
        long number = open();
        assertThat(app.bean(JobIntake.class).check(Conditions.LORNE.text()).jobs())
                .anySatisfy(job -> {
                    assertThat(job.number()).isEqualTo(number);
                    assertThat(job.title()).contains("Tail lift");
                });
    }

    @Test
    void vin_oneCharacterAwayFromAKnownVehicle_isTakenForThatOneFirst() {
        open();
        String typed = Conditions.LORNE.text().replace("MN004127", "MN004128");
        JobIntake.VinView view = app.bean(JobIntake.class).check(typed);
        assertThat(view.suggestions()).first().isEqualTo(Conditions.LORNE.text());
    }

    @Test
    void page_fromAVehicle_knowsTheVehicleAndAsksForTheComplaint() {
        try (Browsing browser = new Browsing(app.url(), "desk")) {
            browser.open("/vehicles/" + Conditions.WISP.text());
            browser.page.click("main a:text-is('New job')");
            browser.awaitShown("p.ok:has-text(\"Tolvane Wisp\")");
            assertThat(browser.page.evaluate("document.activeElement.id")).isEqualTo("complaint");
            browser.open("/jobs/new?vin=" + Conditions.WISP.text() + "&kind=FIND_LOST_SETTING");
            assertThat(browser.page.isChecked("input[value=FIND_LOST_SETTING]")).isTrue();
        }
    }

    @Test
    void page_withAVin_offersModulesOfItsModelAndLeadsToWhatIsMissing() {
        try (Browsing browser = new Browsing(app.url(), "desk")) {
            browser.open("/jobs/new");
            assertThat(browser.page.evaluate("document.activeElement.id")).isEqualTo("vin");
            browser.page.fill("#vin", Conditions.WISP.text());
            browser.awaitShown("p.ok:has-text(\"Tolvane Wisp\")");
            assertThat(browser.page.evaluate(
                            "[...document.querySelectorAll('#replaced optgroup')].map(g => g.label).join()"))
                    .isEqualTo("Tolvane Wisp");
            browser.page.fill("#complaint", "nothing chosen");
            browser.page.click("text=Take it in");
            browser.awaitShown(".err:has-text('Choose what is to be done')");
            assertThat(browser.page.evaluate("document.activeElement.name")).isEqualTo("kind");
        }
    }
}
