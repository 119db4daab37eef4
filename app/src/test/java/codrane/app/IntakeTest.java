package codrane.app;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.app.RunningApp.App;
import codrane.app.job.Acted;
import codrane.app.stage.bench.BenchActs;
import codrane.app.stage.intake.IntakeActs;
import codrane.app.stage.intake.OldDataActs;
import codrane.core.job.IntakeNotes;
import codrane.core.job.hold.HoldRules;
import codrane.core.plan.HoldPoint;
import codrane.standin.Conditions;
import com.google.zxing.BarcodeFormat;
import com.google.zxing.WriterException;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.jdbc.core.simple.JdbcClient;

/** Arrival in a real browser: labels read from photos, plate against papers, photos, the variant, the old module. */
@ExtendWith(RunningApp.class)
class IntakeTest {
    private static final Path PICTURES = Path.of(System.getProperty("codrane.screenshots", "target/screenshots"));

    private final App app;

    @TempDir
    private Path folder;

    IntakeTest(App app) {
        this.app = app;
    }

    @AfterEach
    void plugBack() {
        TestWorld.act(app.world(), "/faults/clear");
        TestWorld.plug(app.world(), Conditions.LORNE);
    }

    private Path label(String text, BarcodeFormat format) throws IOException, WriterException {
        return Labels.picture(folder, text, format);
    }

    @Test
    void job_baselineOfATaxi_isTakenInByItsLabelAndItsVariantIsAsked() throws IOException, WriterException {
        Files.createDirectories(PICTURES);
        TestWorld.plug(app.world(), Conditions.DUNLIN);
        try (Browsing browser = new Browsing(app.url(), "tech")) {
            browser.open("/jobs/new");
            browser.page.setInputFiles(".labelphoto input", label(Conditions.DUNLIN.text(), BarcodeFormat.CODE_128));
            browser.awaitShown("p.ok:has-text(\"Peregil Dunlin\")");
            browser.page.fill("#complaint", "First baseline before anything is changed");
            browser.page.check("input[value=BASELINE_ONLY]");
            browser.page.click("text=Take it in");
            browser.awaitNext("Does the customer agree?");
            papers(browser);
            photos(browser);
            browser.page.keyboard().press("Control+Enter");
            browser.awaitNext("Prove the link");
            browser.act("Ask the vehicle");
            browser.awaitNext("Which Dunlin is it?");
            browser.page.click("#content button:has-text('Taxi for wheelchairs')");
            browser.awaitNext("Scan all modules");
            browser.page.click(".acts button");
            browser.awaitNext("Store a baseline");
            browser.act("Read and store");
            browser.awaitNext("Baseline is done");
            assertThat(browser.troubles()).isEmpty();
        }
    }

    /** Papers of another vehicle are a hold point; read by their data matrix they agree. */
    private void papers(Browsing browser) throws IOException, WriterException {
        browser.page.fill("#papersVin", "0PGDN4B2ZHC013378");
        browser.page.fill("#mileage", "many");
        browser.page.click("text=Note it");
        browser.awaitShown(".refused:has-text('The mileage is a number')");
        assertThat(browser.page.inputValue("#papersVin")).isEqualTo("0PGDN4B2ZHC013378"); // half-typed input stays
        browser.page.fill("#mileage", "84 210");
        browser.page.fill("#keysHere", "2");
        browser.page.fill("input[name=keysAll]", "3");
        browser.page.click("text=Note it");
        browser.awaitNext("Plate and papers name two vehicles");
        browser.page.setInputFiles(".labelphoto input", label(Conditions.DUNLIN.text(), BarcodeFormat.DATA_MATRIX));
        browser.awaitValue("#papersVin", "0PGDN4B2ZHC013377");
        browser.page.click("text=Note it");
        browser.awaitNext("Does the customer agree?");
        assertThat(browser.page.inputValue("#mileage")).isEqualTo("84210");
    }

    private void photos(Browsing browser) throws IOException, WriterException {
        Path text = Files.writeString(folder.resolve("plate.png"), "no picture at all");
        browser.page.setInputFiles("input[name=photo]", text);
        browser.page.click("text=Keep it");
        browser.awaitShown(".refused:has-text('no picture that can be read')");
        browser.page.setInputFiles("input[name=photo]", label("PLATE", BarcodeFormat.CODE_128));
        browser.page.fill("input[name=caption]", "Plate");
        browser.page.click("text=Keep it");
        browser.awaitShown(".photos img");
        browser.page.waitForTimeout(300);
        browser.picture(PICTURES.resolve("intake.png"));
    }

    @Test
    void oldModule_thatIsDead_namesTheVehicleInItsData() throws Exception {
        JobSteps steps = new JobSteps(app, "climate");
        OldDataActs acts = app.bean(OldDataActs.class);
        byte[] memory = new byte[0x2000];
        assertThat(acts.find(steps.number, "dead.bin", memory, "tech").toString())
                .contains("No VIN stands in its 8192 bytes");
        byte[] vin = Conditions.LORNE.text().getBytes(StandardCharsets.US_ASCII);
        System.arraycopy(vin, 0, memory, 0x1F0, vin.length);
        System.arraycopy(vin, 0, memory, 0x9F0, vin.length);
        assertThat(acts.find(steps.number, "dead.bin", memory, "tech")).isInstanceOf(Acted.Done.class);
        assertThat(acts.find(steps.number, "dead.bin", memory, "tech")).isInstanceOf(Acted.Done.class); // once more
        assertThat(steps.facts().intake().details().identifiers())
                .singleElement()
                .satisfies(found -> {
                    assertThat(found.value()).isEqualTo(Conditions.LORNE.text());
                    assertThat(found.source()).startsWith("dead.bin at 0x01F0, 0x09F0; ");
                });
        WebSession tech = WebSession.signIn(app.url(), "tech");
        longestSource(acts, steps);
        assertThat(tech.get("/jobs/" + steps.number + "/intake")).contains("this vehicle", "Look for its VIN");
        try (Browsing browser = new Browsing(app.url(), "tech")) {
            browser.open("/jobs/" + steps.number + "/intake");
            browser.page.setInputFiles("input[name=file]", Files.write(folder.resolve("again.bin"), memory));
            browser.page.click("text=Look for its VIN");
            browser.awaitShown("text=Noted, with where it stands.");
            assertThat(browser.page.textContent("main")).contains("again.bin at 0x01F0");
        }
        byte[] other = Conditions.LORNE_DONOR.text().getBytes(StandardCharsets.US_ASCII);
        assertThat(acts.find(steps.number, "other.bin", other, "tech")).isInstanceOf(Acted.Done.class);
        assertThat(tech.get("/jobs/" + steps.number + "/intake")).contains("another vehicle", "other.bin at 0x0000");
    }

    /** It goes into a form whose field has 80 characters, or nobody could note anything there any more. */
    private static void longestSource(OldDataActs acts, JobSteps steps) {
        String turned = new StringBuilder(Conditions.LORNE.text()).reverse() + "-";
        byte[] many = turned.repeat(9000).getBytes(StandardCharsets.US_ASCII);
        assertThat(acts.find(steps.number, "x".repeat(200), many, "tech")).isInstanceOf(Acted.Done.class);
        assertThat(steps.facts().intake().details().identifiers())
                .singleElement()
                .satisfies(found -> assertThat(found.source())
                        .contains("backwards", "and 8998 more")
                        .hasSizeLessThanOrEqualTo(70)); // eight digits more where addresses are long
    }

    @Test
    void oldModule_stillIn_isReadAndKeptBeforeAnythingElse() throws InterruptedException {
        JobSteps steps = new JobSteps(app, "climate");
        readOld(steps);
        assertThat(steps.facts().benched().oldReading().orElseThrow().read()).isTrue();
        assertThat(count(steps)).isEqualTo(1);
        assertThat(steps.facts().baseline()).isEmpty(); // it is the old part's, not the vehicle's
    }

    @Test
    void oldModule_silent_isNotedAsAResult() throws InterruptedException {
        TestWorld.act(app.world(), "/fault?spec=silent:module=climate,seconds=60");
        JobSteps steps = new JobSteps(app, "climate");
        readOld(steps);
        assertThat(steps.facts().benched().oldReading().orElseThrow().sentence())
                .contains("could not be read");
        assertThat(HoldRules.progress(steps.facts()).hold(HoldPoint.OLD_MODULE_READ))
                .isEqualTo(codrane.core.plan.JobProgress.Hold.KEPT);
        assertThat(count(steps)).isZero();
    }

    private void readOld(JobSteps steps) throws InterruptedException {
        app.bean(IntakeActs.class).oldModule(steps.number, IntakeNotes.OldModule.STILL_IN, "tech");
        TestActs.of(app).keep(steps.number, HoldPoint.CONSENT, "tech", "");
        app.bean(BenchActs.class).ask(steps.number, "tech");
        assertThat(HoldRules.progress(steps.facts()).hold(HoldPoint.OLD_MODULE_READ))
                .isEqualTo(codrane.core.plan.JobProgress.Hold.OPEN);
        app.bean(BenchActs.class).readOld(steps.number, "tech");
        steps.awaitTask();
    }

    private long count(JobSteps steps) {
        return app.bean(JdbcClient.class)
                .sql(
                        "select count(*) from baseline b join job j on j.id = b.job_id where j.number = ? and b.scope = 'climate'")
                .param(steps.number)
                .query(Long.class)
                .single();
    }
}
