package codrane.app;

import codrane.core.coding.Layout;
import codrane.core.job.JobState;
import codrane.core.octets.Bytes;
import codrane.core.pack.Places;
import codrane.standin.module.AccessCodes;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import java.time.Duration;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.function.Consumer;
import java.util.function.Supplier;

/** What the customers of the demo's jobs want, where a page asks and no button tells it. */
final class JobAnswers {
    /** Modules ask for 10 s, and for the key to be on 20 s later. */
    static final Duration OFF_LONG_ENOUGH = Duration.ofSeconds(12);

    private static final String BODY = "body";
    private static final String LAMPS = "body-lamps";

    private final Browsing browser;
    private final long job;
    private final Supplier<JobState> state;
    private final Consumer<String> vehicle;

    /** @param vehicle what a hand does there, as the control port says it */
    JobAnswers(Browsing browser, long job, Supplier<JobState> state, Consumer<String> vehicle) {
        this.vehicle = vehicle;
        this.browser = browser;
        this.job = job;
        this.state = state;
    }

    /** By how the next act's title begins. */
    Map<String, Runnable> all() {
        Map<String, Runnable> answers = new LinkedHashMap<>();
        answers.put("See the proof of ownership", this::keysAndProof);
        answers.put("Access code: to be got", this::accessCode);
        answers.put("Code of the day: to be got", this::dailyCode);
        answers.put("Licence", this::licence);
        answers.put("The vehicle order: to be got", this::orderOfThePapers);
        answers.put("Judge the coding", this::gaps);
        answers.put("Have the keys learned with", this::otherTool);
        answers.put("Do what it asks for, then leave", this::startInhibited);
        answers.put("Look on, and do what it asks for", () -> vehicle.accept("/key/running"));
        answers.put("Turn the key off and on as it is counted", this::keyInTime);
        answers.put("Let the modules sleep", () -> turned("off"));
        answers.put("Scan again", () -> turned("on"));
        answers.put(
                "Which equipment is to be enabled?", () -> press("[data-sift]:has-text('Passenger counting') button"));
        answers.put("Which Dunlin is it?", () -> press("form.choice button >> nth=0"));
        answers.put("Which option codes", this::order);
        answers.put("Which setting is to be changed", this::setting);
        return answers;
    }

    private void press(String selector) {
        Locator button = browser.page.locator(selector).first();
        button.click(new Locator.ClickOptions().setTimeout(5000));
        browser.page.waitForLoadState();
    }

    private void keysAndProof() {
        Page page = browser.page;
        page.fill("#keysHere", "2");
        page.fill("[name=keysAll]", job == 2216 ? "3" : "2");
        page.fill("#ownership", "papers and identity of the owner");
        press("form:has(#ownership) button:has-text('Note it')");
    }

    /** The code of the simulated keepers of secrets; twice, as it is wanted. */
    private void accessCode() {
        JobState now = state.get();
        int digits = now.pack().equipment().immobiliser().orElseThrow().codeDigits();
        String code = AccessCodes.of(now.job().vin(), digits);
        browser.page.fill("form[action$='/codes'] [name=code]", code);
        browser.page.fill("form[action$='/codes'] [name=codeAgain]", code);
        press("form[action$='/codes'] button");
    }

    /** Its price first, on the same page. */
    private void dailyCode() {
        press("button:has-text(\"Ask the maker's service\")");
        press("button:has-text(\"Buy today's code\")");
    }

    private void licence() {
        browser.page
                .locator("details:has(form[action$='/needs']) summary")
                .first()
                .click();
        browser.page.fill("form[action$='/needs'] input[name=detail]", VariantTest.CODE);
        press("form[action$='/needs'] button[value=here]");
    }

    private void orderOfThePapers() {
        browser.page.fill(
                "input[name=codes]",
                String.join(
                        " ",
                        state.get().pack().equipment().order().orElseThrow().factory()));
        press("button:has-text('Keep the order')");
    }

    /** The value that most have, where a person is asked. */
    private void gaps() {
        for (Locator gap :
                browser.page.locator("form[action$='/gaps'] fieldset fieldset").all())
            gap.locator("input[type=radio]").first().check();
        press("button:has-text('Keep what I judged')");
    }

    /** Which learns both keys, and is told to have. */
    private void otherTool() {
        vehicle.accept("/keys/learned");
        vehicle.accept("/keys/learned");
        for (Locator box : browser.page.locator("input[name=release]").all()) box.check();
        press(".acts button");
    }

    /** Where a run waits for it, it says so; then somebody does it. */
    private void startInhibited() {
        browser.page.waitForTimeout(700);
        if (browser.page.innerText("body").contains("Not yet: the start inhibited")) vehicle.accept("/start/inhibited");
    }

    private void keyInTime() {
        vehicle.accept("/key/off");
        Until.later(OFF_LONG_ENOUGH);
        vehicle.accept("/key/on");
        browser.awaitGone(".next h3:has-text('Turn the key off and on as it is counted')");
    }

    private void turned(String key) {
        vehicle.accept("/key/" + key);
        press(".acts button");
    }

    private void order() {
        for (String code : new String[] {"RMP1", "RMP2"}) {
            Locator box = browser.page.locator("input[value=" + code + "]");
            if (!box.isChecked()) box.check();
        }
        press("button:has-text('Take these')");
    }

    private void setting() {
        switch ((int) job) {
            case 2212 -> line();
            case 2213 -> made("spreader-main/width", "4.5");
            case 2214 -> made("body-main/chime.volume", "60");
            default -> made("announce-main/variant", "speech");
        }
    }

    private void made(String setting, String value) {
        browser.open("/jobs/" + job + "/coding?setting=" + setting.replace("/", "%2F"));
        Locator choice = browser.page.locator("button[name=value][value='" + value + "']");
        if (choice.count() > 0) {
            choice.click();
        } else {
            browser.page.fill("form[action$='/decide/setting'] input[type=text]", value);
            press("button:has-text('Make it that')");
        }
        browser.page.waitForLoadState();
    }

    /** The step lamp a little longer, by its line. */
    private void line() {
        JobState now = state.get();
        Layout lamps = now.pack().layout(LAMPS);
        Bytes held = now.before().orElseThrow().readings().get(BODY).coding().get(LAMPS);
        int at = lamps.field("lamp.step.hold").orElseThrow().at() / 8;
        Layout.Encoded.Block longer = (Layout.Encoded.Block) lamps.encode(Map.of("lamp.step.hold", "10 s"), held);
        String place = Places.of(now.pack(), now.pack().module(BODY), LAMPS, at);
        browser.page.fill(
                "input[name=line]",
                "%s: %02X -> %02X".formatted(place, held.u8(at), longer.octets().u8(at)));
        press("button:has-text('Judge it and take it')");
    }
}
