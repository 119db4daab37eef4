package codrane.app;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.app.RunningApp.App;
import codrane.app.job.JobDesk;
import codrane.app.newjob.JobIntake;
import codrane.app.newjob.NewJobForm;
import codrane.core.job.hold.HoldRules;
import codrane.core.plan.HoldPoint;
import com.microsoft.playwright.Route;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** What was typed is not lost by another button, nor kept by a key that was meant for something else. */
@ExtendWith(RunningApp.class)
class TypedBesideTest {
    private static long job(App app) {
        JobIntake.Taken taken = app.bean(JobIntake.class)
                .take(new NewJobForm("0BKLR3A46MN004127", "typed beside", "CLEAR_FAULTS", "", ""), "tech");
        return ((JobIntake.Taken.Job) taken).number();
    }

    private static boolean agreed(App app, long number) {
        return HoldRules.progress(app.bean(JobDesk.class).state(number)).passed(HoldPoint.CONSENT);
    }

    private static String lights(App app, long number) {
        return app.bean(JobDesk.class).state(number).intake().details().lights();
    }

    @Test
    void mainButton_besideTypedNotes_keepsThemFirst(App app) {
        long number = job(app);
        try (Browsing browser = new Browsing(app.url(), "tech")) {
            browser.open("/jobs/" + number + "/intake");
            browser.awaitNext("Does the customer agree");
            browser.page.fill("[name=lights]", "brake lamp");
            browser.act("The customer agrees");
            browser.awaitNext("Prove the link");
            assertThat(lights(app, number)).isEqualTo("brake lamp");
            assertThat(agreed(app, number)).isTrue();
        }
    }

    @Test
    void mainButton_besideNotesThatAreRefused_doesNothingAndKeepsWhatWasTyped(App app) {
        long number = job(app);
        try (Browsing browser = new Browsing(app.url(), "tech")) {
            browser.open("/jobs/" + number + "/intake");
            browser.awaitNext("Does the customer agree");
            browser.page.fill("[name=mileage]", "far");
            browser.act("The customer agrees");
            browser.awaitShown("#typed-beside:has-text('mileage is a number')");
            assertThat(browser.page.inputValue("[name=mileage]")).isEqualTo("far");
            assertThat(agreed(app, number)).isFalse();
        }
    }

    /** A task that ends loads the page anew, whatever somebody types in it. */
    @Test
    void page_loadedAnewByItself_keepsWhatWasTypedAndWhereTheCursorIs(App app) {
        long number = job(app);
        try (Browsing browser = new Browsing(app.url(), "tech")) {
            browser.open("/jobs/" + number + "/intake");
            browser.awaitNext("Does the customer agree");
            browser.page.fill("[name=lights]", "brake lamp");
            browser.page.focus("[name=mileage]");
            freshen(browser);
            browser.page.waitForCondition(() -> !browser.page.title().equals("old"));
            browser.awaitNext("Does the customer agree");
            assertThat(browser.page.inputValue("[name=lights]")).isEqualTo("brake lamp");
            assertThat(browser.page.evaluate("document.activeElement.name")).isEqualTo("mileage");
            browser.open("/jobs/" + number + "/intake");
            assertThat(browser.page.inputValue("[name=lights]"))
                    .as("opened again")
                    .isEmpty();
        }
    }

    /** Somebody presses while the page's scripts are still on their way: what was typed before is not sent as empty. */
    @Test
    void press_onAPageLoadedAnew_waitsUntilWhatWasTypedStandsThere(App app) {
        long number = job(app);
        List<Route> asked = new ArrayList<>();
        try (Browsing browser = new Browsing(app.url(), "tech")) {
            browser.page.route("**/codrane.js", route -> {
                asked.add(route);
                if (asked.size() != 2) route.resume();
            });
            browser.open("/jobs/" + number + "/intake");
            browser.awaitNext("Does the customer agree");
            browser.page.fill("[name=lights]", "brake lamp");
            freshen(browser);
            browser.page.waitForCondition(() -> asked.size() == 2);
            browser.page.click("text=Note it");
            assertThat(browser.page.inputValue("[name=lights]")).isEmpty();
            asked.get(1).resume();
            browser.awaitShown("text=Noted.");
            browser.awaitNext("Does the customer agree");
            browser.open("/jobs/" + number + "/intake"); // what is kept, not what is put back in the page
            assertThat(browser.page.inputValue("[name=lights]")).isEqualTo("brake lamp");
        }
    }

    private static void freshen(Browsing browser) {
        browser.page.evaluate("document.title = 'old'; import(document.querySelector('script[type=module]')"
                + ".src.replace('codrane.js', 'freshen.js')).then((m) => m.freshen())");
    }

    /** A file can't be chosen again by the page: it waits until the file is sent, or taken out. */
    @Test
    void page_loadedAnewByItself_waitsForAFileThatWasChosen(App app) throws Exception {
        long number = job(app);
        Path file = Files.writeString(Files.createTempFile("plate", ".png"), "no picture");
        try (Browsing browser = new Browsing(app.url(), "tech")) {
            browser.open("/jobs/" + number + "/intake");
            browser.awaitNext("Does the customer agree");
            browser.page.setInputFiles("input[name=photo]", file);
            freshen(browser);
            browser.page.waitForTimeout(3000);
            assertThat(browser.page.title()).isEqualTo("old");
            assertThat(browser.page.evaluate("document.querySelector('input[name=photo]').files.length"))
                    .isEqualTo(1);
            browser.page.setInputFiles("input[name=photo]", new Path[0]);
            browser.page.waitForCondition(() -> !browser.page.title().equals("old"));
        } finally {
            Files.delete(file);
        }
    }

    @Test
    void controlEnter_inAField_keepsThatFormOnly(App app) {
        long number = job(app);
        try (Browsing browser = new Browsing(app.url(), "tech")) {
            browser.open("/jobs/" + number + "/intake");
            browser.awaitNext("Does the customer agree");
            browser.page.fill("[name=lights]", "oil lamp");
            browser.page.press("[name=lights]", "Control+Enter");
            browser.awaitShown("text=Noted.");
            assertThat(lights(app, number)).isEqualTo("oil lamp");
            assertThat(agreed(app, number)).isFalse();
            assertThat(browser.next()).contains("Does the customer agree");
        }
    }

    /** A form that acts by itself is not sent along: it is asked about, and left at the second press. */
    @Test
    void mainButton_besideAFormThatActs_asksFirst(App app) throws InterruptedException {
        JobSteps steps = new JobSteps(app, "tail-lift").toScanned();
        try (Browsing browser = new Browsing(app.url(), "tech")) {
            browser.open("/jobs/" + steps.number + "/baseline");
            browser.awaitNext("Store a baseline");
            browser.page.click("summary:has-text('Read one module only')");
            browser.page.selectOption("select[name=module]", "engine");
            browser.act("Read and store");
            browser.awaitShown("#typed-beside:has-text('press its own button first')");
            assertThat(steps.facts().baseline()).isEmpty();
            browser.act("Read and store");
            browser.awaitNext("Baseline is done");
            assertThat(steps.facts().baseline().orElseThrow().whole()).isTrue();
        }
    }
}
