package codrane.app;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.PlaywrightException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * A technician who knows nothing: opens the job, reads the next act, presses its first button, and so on to the end. What
 * Prepare wants is got by the form that stands there; whatever asks "why" is told that it was seen.
 */
final class NextActPresser {
    private static final int STEPS = 300;
    private static final int SAME = 25;

    private static final Logger LOG = LoggerFactory.getLogger(NextActPresser.class);

    private final Browsing browser;
    private final long job;
    private final Map<String, Runnable> answers;
    private final List<String> story = new ArrayList<>();

    /** @param answers by how a title begins, where no button is to be pressed */
    NextActPresser(Browsing browser, long job, Map<String, Runnable> answers) {
        this.browser = browser;
        this.job = job;
        this.answers = answers;
    }

    /**
     * Until the next act begins like this.
     *
     * @throws AssertionError when it is never reached; the message tells what came one after the other
     */
    void until(String title) {
        int same = 0;
        String last = "";
        for (int i = 0; i < STEPS && same < SAME; i++) {
            String next = opened();
            if (next.startsWith(title)) return;
            same = last.equals(next) && !busy() ? same + 1 : 0;
            if (!last.equals(next)) {
                story.add(next);
                LOG.info("job {}: {}", job, next);
            }
            last = next;
            step(next);
        }
        throw new AssertionError("job " + job + " never came to \"" + title + "\":\n  " + String.join("\n  ", story)
                + "\nThe page says: " + browser.page.innerText("main"));
    }

    /** The next act's title; the page may go on by itself while it is asked for. */
    private String opened() {
        for (int i = 0; ; i++) {
            try {
                browser.open("/jobs/" + job + "/now");
                browser.awaitShown(".next h3");
                return browser.next().strip();
            } catch (PlaywrightException e) {
                if (i == 5) throw e;
                browser.page.waitForTimeout(500);
            }
        }
    }

    private void step(String next) {
        try {
            if (busy() || !acted(next)) browser.page.waitForTimeout(700);
        } catch (PlaywrightException e) { // the page was renewed under the hand
            browser.page.waitForTimeout(300);
        }
    }

    /** Something is on its way, and takes the time that it takes. */
    private boolean busy() {
        return browser.page.isVisible(".busy.alert-info");
    }

    private boolean acted(String next) {
        for (Map.Entry<String, Runnable> answer : answers.entrySet())
            if (next.startsWith(answer.getKey())) {
                answer.getValue().run();
                return !refused();
            }
        if (next.startsWith("Fetch the calibration") && pressed("form[action$='/calibration']")) return true;
        if (next.endsWith("to be got") && pressed("form[action$='/needs']:has(button[value=here])")) return true;
        Locator button = browser.page.locator(".acts button, .acts a.btn").first();
        if (!button.isVisible() || button.textContent().strip().startsWith("Stop")) return false;
        for (Locator box : browser.page.locator("input[name=release]").all()) box.check();
        Locator why = browser.page.locator(".acts form").first().locator("input[name=why]");
        if (why.count() > 0) why.fill("as seen");
        button.click(new Locator.ClickOptions().setTimeout(5000));
        browser.page.waitForLoadState();
        refused();
        return true;
    }

    private boolean pressed(String form) {
        Locator forms = browser.page.locator(form);
        if (forms.count() == 0) return false;
        Locator one = forms.first();
        if (!one.isVisible())
            browser.page.locator("details:has(" + form + ") summary").first().click();
        Locator choice = one.locator("select");
        if (choice.count() > 0)
            choice.first().selectOption(new com.microsoft.playwright.options.SelectOption().setIndex(0));
        Locator detail = one.locator("input[name=detail]");
        if (detail.count() > 0) detail.first().fill("as seen");
        one.locator("button").first().click(new Locator.ClickOptions().setTimeout(5000));
        browser.page.waitForLoadState();
        return !refused();
    }

    private boolean refused() {
        List<String> said = browser.page.locator(".refused.alert").all().stream()
                .filter(Locator::isVisible)
                .map(l -> l.textContent().strip())
                .toList();
        story.addAll(said.stream().map(s -> "  refused: " + s).toList());
        return !said.isEmpty();
    }
}
