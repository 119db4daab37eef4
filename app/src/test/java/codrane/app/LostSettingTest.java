package codrane.app;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.app.RunningApp.App;
import codrane.standin.Conditions;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.zip.ZipFile;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/**
 * K16 and K4, whole, in a real browser: a baseline of a healthy runabout, an update elsewhere that wipes a setting, the
 * finding, and the setting put back through the gateway.
 */
@ExtendWith(RunningApp.class)
class LostSettingTest {
    private static final Path PICTURES = Path.of(System.getProperty("codrane.screenshots", "target/screenshots"));

    private final App app;

    LostSettingTest(App app) {
        this.app = app;
    }

    @AfterEach
    void lock() {
        TestWorld.lockGateways(app);
    }

    @Test
    void jobs_baselineThenLostSetting_endAsLeft() throws IOException {
        Files.createDirectories(PICTURES);
        try (Browsing browser = new Browsing(app.url(), "tech")) {
            baselineOnly(browser);
            JsonNode before = climate();
            TestWorld.actDoip(app.world(), "/updated/climate");
            assertThat(climate().path("coding")).isNotEqualTo(before.path("coding"));
            find(browser);
            putBack(browser);
            assertThat(climate().path("coding")).isEqualTo(before.path("coding"));
            life(browser);
            assertThat(browser.troubles()).isEmpty();
        }
    }

    private static void close(Browsing browser) {
        browser.page.keyboard().press("-");
        browser.awaitNext("Print the report");
        browser.act("Close the job");
        browser.awaitNext("This job is closed");
    }

    private static void takeIn(Browsing browser, String kind, String complaint) {
        browser.open("/jobs/new");
        browser.page.fill("#vin", Conditions.WISP.text());
        browser.awaitShown("p.ok:has-text(\"Tolvane Wisp\")");
        browser.page.fill("#complaint", complaint);
        browser.page.check("input[value=" + kind + "]");
        browser.page.click("text=Take it in");
        browser.awaitNext("Does the customer agree?");
        browser.page.keyboard().press("Control+Enter");
        browser.awaitNext("Prove the link");
        browser.act("Ask the vehicle");
        browser.awaitNext("Scan all modules");
        browser.act("Scan 10 modules");
    }

    /** K16: nothing is unlocked and nothing is written; what was read is taken away with its hash. */
    private static void baselineOnly(Browsing browser) throws IOException {
        takeIn(browser, "BASELINE_ONLY", "First baseline before anything is changed");
        browser.awaitNext("Store a baseline");
        browser.act("Read and store");
        browser.awaitNext("Baseline is done");
        browser.page.click("text=Look at it");
        browser.awaitShown("dd.hash");
        browser.page.click("td a:has-text('Climate'), th a:has-text('Climate')");
        browser.awaitShown("#module h2:has-text('Climate')");
        assertThat(browser.page.textContent("main")).contains("Cabin pre-warm timer", "Cabin temperature", "key on");
        browser.picture(PICTURES.resolve("baseline.png"));
        Path archive = browser.page
                .waitForDownload(() -> browser.page.click("text=Take away with its hash"))
                .path();
        try (ZipFile zip = new ZipFile(archive.toFile())) {
            assertThat(zip.stream().map(e -> e.getName()))
                    .contains("baseline.json", "sha256.txt", "settings.csv", "values.csv", "faults.csv");
            assertThat(new String(
                            zip.getInputStream(zip.getEntry("settings.csv")).readAllBytes(),
                            java.nio.charset.StandardCharsets.UTF_8))
                    .contains("climate,climate-main,prewarm,on,");
        }
        browser.page.goBack();
        browser.page.goBack();
        browser.awaitNext("Baseline is done");
        close(browser);
    }

    /** K4, the finding: what is not as it was left, grouped by the feature. */
    private static void find(Browsing browser) {
        takeIn(browser, "FIND_LOST_SETTING", "Cabin pre-warm timer gone since the last update");
        browser.awaitNext("Authorise this vehicle"); // account, technician and tool are in order at this authority
        browser.act("Go on reading: Baseline");
        browser.awaitNext("Store a baseline");
        browser.act("Read and store");
        browser.awaitNext("Baseline is done");
        assertThat(browser.page.textContent("main")).contains("1 setting is not as it was on", "Cabin pre-warming");
        browser.page.click("text=Everything that differs");
        browser.awaitShown("nav.nav-tabs");
        assertThat(browser.page.textContent("table.table")).contains("Cabin pre-warm timer", "on", "off");
        browser.page.click("text=Learned values");
        browser.awaitShown("nav.nav-tabs a.active:has-text('Learned values')");
        browser.page.goBack();
        browser.page.goBack();
        browser.awaitNext("Baseline is done");
        browser.page.keyboard().press("6");
        browser.awaitNext("Choose what is put back");
        assertThat(browser.page.isChecked(".release input")).isFalse();
        browser.picture(PICTURES.resolve("put-back.png"));
        compareWithAnotherVisit(browser);
        planned(browser);
        assertThat(browser.page.isDisabled(".release input")).isTrue(); // what is ticked now would go nowhere
        browser.page.click("button:text-is('Compare')");
        browser.awaitNext("Choose what is put back");
        planned(browser);
        assertThat(browser.page.textContent("main")).contains("Cabin pre-warm timer: off → on, as it was before");
    }

    private static void planned(Browsing browser) {
        browser.page.check(".release input");
        browser.act("Plan what is ticked");
        browser.awaitNext("Agree to 1 writing step");
    }

    /** What the job before found is as good a witness as how the archive has it. */
    private static void compareWithAnotherVisit(Browsing browser) {
        browser.page.selectOption(
                "select[name=baseline]", browser.page.getAttribute("select[name=baseline] option:last-child", "value"));
        browser.page.click("button:text-is('Compare')");
        browser.awaitShown("p.note:has-text('Found on ')");
        browser.awaitShown(".release b:has-text('Cabin pre-warm timer: off → on')");
        assertThat(browser.page.isChecked(".release input")).isFalse();
    }

    private void putBack(Browsing browser) {
        browser.page.keyboard().press("Control+Enter");
        browser.awaitShown(".next h3:not(:has-text('Agree to'))");
        browser.page.keyboard().press("4");
        browser.awaitNext("Authorise this vehicle");
        browser.page.keyboard().press("Control+Enter");
        browser.awaitShown(".vit:has-text('Gateway open')");
        browser.goUntil("8", "Release 1 writing step");
        browser.release();
        browser.awaitNext("Run is done");
        browser.act("Go to Prove");
        browser.awaitNext("Scan again and compare");
        browser.act("Scan 10 modules");
        browser.awaitNext("Try ");
        browser.page.keyboard().press("Control+Enter");
        browser.awaitNext("Store how the vehicle is left");
    }

    /** The vehicle's life: jobs, baselines, what Codrane changed, and the module that was programmed elsewhere. */
    private static void life(Browsing browser) {
        browser.open("/vehicles/" + Conditions.WISP.text());
        browser.awaitShown("text=Changed by Codrane");
        assertThat(browser.page.textContent("main"))
                .contains("Cabin pre-warm timer: off → on", "changed since the one before", "against the one before");
        browser.picture(PICTURES.resolve("vehicle.png"));
    }

    private JsonNode climate() {
        return TestWorld.lookDoip(app.world()).path("modules").path("climate");
    }
}
