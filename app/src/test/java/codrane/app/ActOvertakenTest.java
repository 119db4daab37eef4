package codrane.app;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.app.RunningApp.App;
import codrane.core.job.hold.HoldRules;
import codrane.core.plan.HoldPoint;
import com.microsoft.playwright.APIResponse;
import com.microsoft.playwright.Route;
import java.time.Duration;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** A task can end before the answer to the act that began it is drawn: the page must not reload over that answer. */
@ExtendWith(RunningApp.class)
class ActOvertakenTest {
    @Test
    void baseline_endsBeforeItsAnswerComes_showsTheBaselineAllTheSame(App app) throws InterruptedException {
        JobSteps steps = new JobSteps(app, "tail-lift").toScanned();
        try (Browsing browser = new Browsing(app.url(), "tech")) {
            browser.open("/jobs/" + steps.number + "/now");
            browser.awaitNext("Store a baseline");
            browser.page.route("**/jobs/" + steps.number + "/baseline", route -> answerLate(route, steps));
            browser.act("Read and store");
            browser.awaitNext("Baseline is done");
            assertThat(browser.page.url()).endsWith("/baseline");
        }
    }

    @Test
    void key_whosePageComesLate_isNotOvertakenByATaskThatEnds(App app) throws InterruptedException {
        JobSteps steps = new JobSteps(app, "tail-lift").toScanned();
        try (Browsing browser = new Browsing(app.url(), "tech")) {
            browser.open("/jobs/" + steps.number + "/baseline");
            browser.awaitNext("Store a baseline");
            browser.page.route("**/jobs/" + steps.number + "/identify", route -> {
                awaitBaseline(steps);
                route.resume();
            });
            browser.act("Read and store");
            browser.awaitShown(".busy:visible, .next h3:has-text('Baseline is done')"); // read before the page was here
            browser.page.waitForLoadState(); // keys are heard once the scripts are there
            browser.page.keyboard().press("3");
            browser.awaitNext("Identify is done");
            assertThat(browser.page.url()).endsWith("/identify");
        }
    }

    /** While Codrane does not answer, the page stays as it is; a reload would lose what it says about the vehicle. */
    @Test
    void page_thatWouldReloadWhileNobodyAnswers_staysUntilSomebodyDoes(App app) throws InterruptedException {
        JobSteps steps = new JobSteps(app, "tail-lift").toScanned();
        try (Browsing browser = new Browsing(app.url(), "tech")) {
            browser.open("/jobs/" + steps.number + "/now");
            browser.awaitNext("Store a baseline");
            browser.page.route("**/alive", Route::abort);
            browser.page.evaluate("document.title = 'still here'; import(document.querySelector('script[type=module]')"
                    + ".src.replace('codrane.js', 'freshen.js')).then((m) => m.freshen())");
            browser.page.waitForTimeout(2500);
            assertThat(browser.page.title()).isEqualTo("still here");
            browser.page.unroute("**/alive");
            browser.page.waitForCondition(() -> browser.page.title().contains("Codrane"));
        }
    }

    /** It is stored, and a moment later. */
    private static void awaitBaseline(JobSteps steps) {
        Until.so(() -> HoldRules.progress(steps.facts()).passed(HoldPoint.BASELINE_STORED));
        Until.later(Duration.ofSeconds(1));
    }

    private static void answerLate(Route route, JobSteps steps) {
        if (!route.request().method().equals("POST")) {
            route.resume();
            return;
        }
        APIResponse answer = route.fetch(new Route.FetchOptions().setMaxRedirects(0));
        awaitBaseline(steps);
        route.fulfill(new Route.FulfillOptions().setResponse(answer));
    }
}
