package codrane.app;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.app.RunningApp.App;
import codrane.standin.Conditions;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.JsonNode;

/** K1, whole, in a real browser: faults behind a secure gateway, from the lock-out through its remedy to the proof. */
@ExtendWith(RunningApp.class)
class ClearBehindGatewayTest {
    private static final Path PICTURES = Path.of(System.getProperty("codrane.screenshots", "target/screenshots"));

    private final App app;

    ClearBehindGatewayTest(App app) {
        this.app = app;
    }

    /** Other tests share the authority: it begins as the demo finds it. */
    @BeforeEach
    void resetAuthority() {
        TestWorld.authority(app.world(), "brennick-trade-desk", "right?reset=yes");
    }

    @AfterEach
    void plugBack() {
        TestWorld.lockGateways(app);
        TestWorld.authority(app.world(), "brennick-trade-desk", "right");
        TestWorld.plug(app.world(), Conditions.LORNE);
    }

    @Test
    void job_faultsBehindAGateway_endCleared() throws IOException {
        Files.createDirectories(PICTURES);
        TestWorld.plug(app.world(), Conditions.ALMERY);
        try (Browsing browser = new Browsing(app.url(), "tech")) {
            takeIn(browser);
            String job = browser.page.getAttribute("body", "data-job");
            readOn(browser);
            refused(browser);
            remedy(browser, job);
            lies(browser, job);
            cleared(browser);
            assertThat(browser.troubles()).isEmpty();
        }
    }

    private static void takeIn(Browsing browser) {
        browser.open("/jobs/new");
        browser.page.fill("#vin", Conditions.ALMERY.text());
        browser.awaitShown("p.ok:has-text(\"Brennick Almery\")");
        browser.page.fill("#complaint", "Tail-lift faults can't be cleared");
        browser.page.check("input[value=CLEAR_FAULTS]");
        browser.page.click("text=Take it in");
        browser.awaitNext("Does the customer agree?");
        browser.page.keyboard().press("Control+Enter");
        browser.awaitNext("Prove the link");
        browser.act("Ask the vehicle");
        browser.awaitNext("Scan all modules");
        browser.act("Scan 16 modules");
        browser.awaitNext("Have tech added as technician");
        browser.page.keyboard().press("3");
        browser.awaitNext("Identify is done");
        assertThat(browser.page.textContent("main")).contains("C1029-08", "P1A93-00");
    }

    /** Reading goes on without the authority, up to the run. */
    private static void readOn(Browsing browser) {
        browser.page.keyboard().press("4");
        browser.awaitNext("Have tech added as technician");
        assertThat(browser.page.textContent("main"))
                .contains("Brennick Trade Desk", "tech is not a technician of the workshop", "Tool PLV2-204417 is not");
        browser.picture(PICTURES.resolve("unlock.png"));
        browser.act("Go on reading: Baseline");
        browser.awaitNext("Store a baseline");
        browser.act("Read and store");
        browser.awaitNext("Baseline is done");
        browser.page.keyboard().press("6");
        browser.awaitNext("Let the rules make a plan");
        browser.act("Make the plan");
        browser.awaitNext("Agree to 1 writing step");
        assertThat(browser.page.textContent("main")).contains("Have the gateway authorised, and see it open");
        browser.page.keyboard().press("Control+Enter");
    }

    /** The clear is refused with the reason, before anything is sent. */
    private void refused(Browsing browser) {
        browser.goUntil("8", "Release 1 writing step");
        browser.page.check(".release input");
        browser.page.keyboard().press("Control+Enter");
        browser.awaitShown(".refused:has-text(\"The gateway is locked\")");
        assertThat(browser.page.textContent(".refused")).contains("Nothing was sent");
        browser.awaitNext("Have tech added as technician");
        assertThat(browser.page.textContent("main")).contains("Authorising leads back to it");
        assertThat(faults("tail-lift").has("C1029-08")).isTrue();
        assertThat(app.bean(JdbcClient.class) // the fault alone proves nothing: this gateway claims to be done
                        .sql(
                                "select count(*) from run r join job j on j.id = r.job_id join vehicle v on v.id = j.vehicle_id"
                                        + " where v.vin = ?")
                        .param(Conditions.ALMERY.text())
                        .query(Long.class)
                        .single())
                .isZero();
    }

    /** The owner adds the technician; the tool's number comes from the tool; the authority is asked. */
    private static void remedy(Browsing browser, String job) {
        browser.signIn("lead");
        browser.open("/access");
        browser.page.selectOption("#brennick-trade-desk select[name=value]", "tech");
        browser.page.click("#brennick-trade-desk button:has-text('Add')");
        browser.awaitShown("#brennick-trade-desk dd:has-text(\"lead, tech\")");
        browser.page.fill("#brennick-trade-desk input[name=serial]", "PLV2-2O4417");
        browser.page.click("#brennick-trade-desk button:has-text('Register')");
        browser.awaitShown(".refused:has-text(\"Meant perhaps: PLV2-204417\")");
        browser.picture(PICTURES.resolve("access.png"));
        browser.signIn("tech");
        browser.open("/jobs/" + job + "/unlock");
        browser.awaitNext("Register the connected tool");
        browser.act("Register PLV2-204417");
        browser.awaitNext("Authorise this vehicle");
    }

    /** An authority out of order, then one that grants what the gateway does not take: neither is believed. */
    private void lies(Browsing browser, String job) {
        TestWorld.authority(app.world(), "brennick-trade-desk", "down");
        browser.page.keyboard().press("Control+Enter");
        browser.awaitShown(".refused:has-text(\"can't be reached\")");
        TestWorld.authority(app.world(), "brennick-trade-desk", "lies");
        browser.open("/jobs/" + job + "/unlock");
        // when a page asked while the authority was down, that is what it knows until it is asked again
        if (browser.page.isVisible(".next h3:has-text(\"does not answer\")")) browser.act("Ask again");
        browser.awaitNext("Authorise this vehicle");
        browser.page.keyboard().press("Control+Enter");
        browser.awaitShown(".refused:has-text(\"does not take the token\")");
        assertThat(look().path("gateway").asString()).isEqualTo("locked");
        TestWorld.authority(app.world(), "brennick-trade-desk", "right");
        browser.page.keyboard().press("Control+Enter");
        browser.awaitNext("Release 1 writing step"); // back at the very act that was refused
        assertThat(look().path("gateway").asString()).isNotEqualTo("locked");
        assertThat(browser.page.textContent(".vit")).contains("Gateway open", "min left");
    }

    private void cleared(Browsing browser) {
        browser.release();
        browser.awaitNext("Run is done");
        browser.act("Go to Prove");
        browser.awaitNext("Scan again and compare");
        browser.act("Scan 16 modules");
        browser.awaitNext("Do the faults stay away?");
        assertThat(browser.page.textContent("main")).contains("C1029-08", "gone");
        browser.page.keyboard().press("Control+Enter");
        browser.awaitNext("Store how the vehicle is left");
        assertThat(faults("tail-lift").has("C1029-08")).isFalse();
        assertThat(faults("engine").has("P1A93-00")).isFalse();
    }

    private JsonNode look() {
        return TestWorld.look(app.world());
    }

    private JsonNode faults(String module) {
        return look().path("modules").path(module).path("faults");
    }
}
