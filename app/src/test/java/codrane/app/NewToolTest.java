package codrane.app;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.app.RunningApp.App;
import codrane.standin.Conditions;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** K18, whole, in a real browser: a new interface from its box to its first answer; and the bench on the way. */
@ExtendWith(RunningApp.class)
class NewToolTest {
    private static final Path PICTURES = Path.of(System.getProperty("codrane.screenshots", "target/screenshots"));

    private final App app;

    NewToolTest(App app) {
        this.app = app;
    }

    /** Other tests share the authority: it begins as the demo finds it. */
    @BeforeEach
    void resetAuthority() {
        TestWorld.authority(app.world(), "brennick-trade-desk", "right?reset=yes");
    }

    @AfterEach
    void mend() {
        TestWorld.act(app.world(), "/tool/updated");
        TestWorld.act(app.world(), "/wired");
        TestWorld.act(app.world(), "/faults/clear");
    }

    @Test
    void tool_newFromItsBox_isMadeReadyStepByStep() throws IOException, InterruptedException {
        Files.createDirectories(PICTURES);
        TestWorld.act(app.world(), "/tool/unboxed");
        try (Browsing browser = new Browsing(app.url(), "tech")) {
            browser.open("/tools");
            browser.page.click("#Plover button:has-text('Make a new one ready')");
            confirm(browser, "Install the program");
            confirm(browser, "Install the driver");
            confirm(browser, "Restart the computer");
            await(browser, "Update the firmware"); // plugged in and its number taken: found by reading
            assertThat(browser.page.textContent("#Plover")).contains("It has 1.0; 4.2 is needed", "PLV2-204417");
            browser.picture(PICTURES.resolve("tools.png"));
            TestWorld.act(app.world(), "/tool/updated");
            await(browser, "Restart the computer again");
            confirm(browser, "Restart the computer again");
            licence(browser);
            await(browser, "Register it at the authorities");
            browser.page.click("#Plover button:has-text('Register it now')");
            await(browser, "Have a vehicle answer over it");
            bench(browser);
            browser.open("/tools");
            browser.awaitShown("#Plover h3:has-text('Ready: every step was done in its order')");
            assertThat(browser.troubles()).isEmpty();
        }
        HttpRequest request = HttpRequest.newBuilder(URI.create("http://127.0.0.1:"
                        + app.world().ports().service() + "/authority/brennick-trade-desk/workshops/Pierhead%20Yard"))
                .build();
        assertThat(HttpClient.newHttpClient()
                        .send(request, HttpResponse.BodyHandlers.ofString())
                        .body())
                .contains("PLV2-204417"); // the authority has it
    }

    private static void confirm(Browsing browser, String step) {
        await(browser, step);
        browser.page.click("#Plover .next button:has-text('It is done')");
    }

    /** What is read of the tool is as old as its last sample. */
    private static void await(Browsing browser, String step) {
        for (int i = 0; i < 60; i++) {
            browser.open("/tools");
            if (browser.page.textContent("#Plover h3").endsWith(": " + step)) return;
            browser.page.waitForTimeout(300);
        }
        assertThat(browser.page.textContent("#Plover h3")).isEqualTo("Next: " + step);
    }

    private static void licence(Browsing browser) {
        await(browser, "Note until when the licence runs");
        browser.page.fill("#Plover input[name=until]", "2020-03-31");
        browser.page.click("#Plover button:has-text('Note it')");
        browser.awaitShown(".refused:has-text('until which day')");
        browser.page.fill("#Plover input[name=until]", "2031-03-31");
        browser.page.click("#Plover button:has-text('Note it')");
        browser.awaitShown("#Plover td:has-text('It runs until 31 Mar 2031')");
    }

    /** The first answer, at the bench of a job: readiness, a second writer, the battery, power go. */
    private void bench(Browsing browser) {
        browser.open("/jobs/new");
        browser.page.fill("#vin", Conditions.LORNE.text());
        browser.awaitShown("p.ok:has-text(\"Brennick Lorne\")");
        browser.page.fill("#complaint", "First answer of the new interface");
        browser.page.check("input[value=BASELINE_ONLY]");
        browser.page.click("text=Take it in");
        browser.awaitNext("Does the customer agree?");
        browser.page.keyboard().press("Control+Enter");
        browser.awaitNext("Prove the link");
        assertThat(browser.page.textContent("main"))
                .contains("This model year needs the standard 16-pin cable", "GB free");
        TestWorld.act(app.world(), "/fault?spec=heat:celsius=81");
        browser.goUntil("2", "Prove the link");
        browser.page.waitForTimeout(600);
        browser.page.keyboard().press("2");
        browser.awaitShown("td:has-text('Let it cool, about')");
        browser.page.check("input[name=cableSeen]");
        browser.page.fill("input[name=other]", "Wren");
        browser.page.selectOption("select[name=role]", "writes");
        browser.page.fill("#restVolts", "twelve");
        browser.page.click("text=Note it");
        browser.awaitShown(".refused:has-text('Resting voltage is a number')");
        browser.page.fill("#restVolts", "12.6");
        browser.page.fill("#restedHours", "5");
        browser.page.fill("#unitVolts", "13.8");
        browser.page.fill("#unitA", "90");
        browser.page.check("input[name=cableSeen]");
        browser.page.fill("input[name=other]", "Wren");
        browser.page.selectOption("select[name=role]", "writes");
        browser.page.click("text=Note it");
        browser.awaitShown("td:has-text('never two writers')");
        browser.awaitShown("h3:has-text('Power: go')");
        assertThat(browser.page.textContent("main"))
                .contains("between 64 and 76 %", "at most 55 min", "It is the standard 16-pin cable");
        browser.picture(PICTURES.resolve("bench.png"));
        browser.act("Ask the vehicle");
        browser.awaitNext("Scan all modules");
    }
}
