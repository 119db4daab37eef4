package codrane.app;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.app.RunningApp.App;
import codrane.app.live.TraceStore;
import codrane.app.records.AuditTrail;
import codrane.core.octets.Bytes;
import codrane.core.octets.Checksums;
import codrane.standin.Conditions;
import codrane.standin.VirtualWorkshop;
import codrane.standin.module.FactoryCoding;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.JsonNode;

/** The first job, whole, in a real browser: a second-hand tail-lift controller made right. */
@ExtendWith(RunningApp.class)
class FirstJobTest {
    private static final Path PICTURES = Path.of(System.getProperty("codrane.screenshots", "target/screenshots"));

    @Test
    void job_usedTailLift_endsRightInTheVehicle(App app) throws IOException {
        Files.createDirectories(PICTURES);
        try (Browsing browser = new Browsing(app.url(), "tech")) {
            takeIn(browser);
            String job = browser.page.getAttribute("body", "data-job");
            identify(browser);
            baseline(browser);
            decideAndPrepare(browser, app);
            run(browser);
            wire(browser);
            prove(browser);
            assertVehicle(TestWorld.look(app.world()));
            nextRoom(browser);
            record(browser, app, job);
            assertThat(browser.troubles()).isEmpty();
        }
    }

    private static void takeIn(Browsing browser) {
        browser.page.keyboard().press("n");
        browser.awaitShown("#vin");
        browser.page.fill("#vin", "0bklr3a46mno04127");
        browser.awaitShown("p.err:has-text(\"Position 12 is O\")");
        browser.page.click("#vin-says button");
        browser.awaitShown("p.ok:has-text(\"Brennick Lorne, model year 2021\")");
        browser.page.fill("#complaint", "Lift does not move since a second-hand controller was fitted");
        browser.page.click("text=Take it in");
        browser.awaitShown("p.err:has-text(\"what is to be done\")"); // nothing is chosen beforehand
        browser.page.check("input[value=REPLACE_MODULE]");
        browser.page.selectOption("#replaced", "tail-lift");
        browser.page.check("input[value=SECOND_HAND]");
        browser.page.click("text=Take it in");
        browser.awaitNext("Is the old tail lift still in the vehicle?");
        browser.act("It is out already");
        browser.awaitNext("Does the customer agree?");
        browser.page.keyboard().press("Control+Enter");
        browser.awaitNext("Prove the link");
        browser.act("Ask the vehicle");
    }

    private static void identify(Browsing browser) {
        browser.awaitNext("Scan all modules");
        browser.act("Scan 14 modules");
        browser.awaitNext("The tail lift still carries its donor's VIN");
        assertThat(browser.page.textContent("tr.hit"))
                .contains("0BK LR3A48 MN004131", "3.08, vehicle needs 3.12", "for another VIN");
        assertThat(browser.page.textContent("main")).contains("U1301-00", "Vehicle identity mismatch", "C1210-62");
        browser.picture(PICTURES.resolve("identify.png"));
        browser.page.keyboard().press("Enter"); // a bare key keeps nothing
        assertThat(browser.next()).contains("donor");
        browser.page.keyboard().press("Control+Enter");
    }

    private static void baseline(Browsing browser) throws IOException {
        browser.awaitNext("Store a baseline");
        browser.act("Read and store");
        browser.awaitNext("Baseline is done");
        String stage = browser.page.url();
        browser.page.click("text=Look at it");
        browser.awaitShown("dd.hash");
        Path file = browser.page
                .waitForDownload(() -> browser.page.click("text=Export as JSON"))
                .path();
        String json = Files.readString(file);
        String shown = browser.page.textContent("dd.hash").replace(" ", "");
        assertThat(Checksums.sha256(json.getBytes(StandardCharsets.UTF_8))).isEqualTo(shown);
        assertThat(json).contains("0BKLR3A46MN004127", "\"platform\":\"steel\"");
        browser.page.navigate(stage);
        browser.awaitNext("Baseline is done");
        browser.act("Go to Decide");
    }

    private static void decideAndPrepare(Browsing browser, App app) {
        browser.awaitNext("Let the rules make a plan");
        browser.act("Make the plan");
        browser.awaitNext("Agree to 5 writing steps");
        browser.page.keyboard().press("Control+Enter");
        browser.awaitNext("Fetch the calibration");
        browser.awaitShown("text=the file is for BK-67220-Z1");
        browser.page.click("td form button");
        browser.awaitNext("Fetch the line sheet");
        browser.picture(PICTURES.resolve("prepare.png"));
        TestWorld.act(app.world(), "/support-unit/off");
        browser.act("Fetch the line sheet");
        browser.goUntil("7", "The supply is not ready");
        assertThat(browser.page.textContent(".next")).contains("switch the support unit on");
        browser.page.keyboard().press("8");
        browser.awaitNext("Prepare comes before Run");
        TestWorld.act(app.world(), "/support-unit/on");
        browser.goUntil("7", "Prepare is done");
        browser.act("Go to Run");
    }

    private static void run(Browsing browser) {
        browser.awaitNext("Release 5 writing steps on the tail lift");
        browser.page.keyboard().press("Control+Enter");
        browser.awaitShown("text=Not started. Not released: Program the tail lift");
        browser.picture(PICTURES.resolve("release.png"));
        for (var box : browser.page.locator(".release input").all())
            assertThat(box.isChecked()).isFalse();
        browser.release();
        browser.awaitNext("Leave everything as it is");
        browser.awaitShown(".live >> text=of 1,024");
        browser.awaitShown(".live >> text=kB/s");
        browser.picture(PICTURES.resolve("run.png"));
        browser.awaitNext("Run is done");
        browser.act("Go to Prove");
    }

    private static void wire(Browsing browser) throws IOException {
        browser.awaitNext("Scan again and compare");
        browser.page.keyboard().press("8");
        browser.awaitNext("Run is done");
        browser.page.click("text=The supply over the whole run");
        assertThat(browser.page.textContent("main section"))
                .containsPattern(
                        "Lowest 13\\.\\d\\d V at \\d\\d:\\d\\d:\\d\\d\\. (It was in its window all the time|Not read for \\d s)\\."); // a busy computer reads late, and says so
        assertThat(browser.page.locator("polyline").count()).isEqualTo(1);
        browser.page.click("text=Back to the run");
        browser.page.click("text=What was on the wire");
        browser.awaitShown("table.wire");
        assertThat(browser.page.textContent("table.wire")).contains("RoutineControl", "Tail lift", "SecurityAccess");
        browser.picture(PICTURES.resolve("trace.png"));
        browser.page.fill("input[name=text]", "F190");
        browser.page.click(".filter button");
        browser.awaitShown("caption:has-text(' of ')");
        assertThat(browser.page.textContent("table.wire"))
                .contains("WriteDataByIdentifier: F190 VIN")
                .doesNotContain("RoutineControl");
        Path file = browser.page
                .waitForDownload(() -> browser.page.click("text=Download for a packet analyser"))
                .path();
        assertThat(Files.size(file)).isGreaterThan(1_000_000);
        browser.page.click("text=Back to the run");
        browser.awaitNext("Run is done");
        browser.page.keyboard().press("0");
    }

    private static void prove(Browsing browser) {
        browser.awaitNext("Scan again and compare");
        browser.act("Scan 14 modules");
        browser.awaitNext("Try the tail lift in all it does");
        assertThat(browser.page.textContent("main"))
                .contains("14 modules against the plate", "Vehicle identity mismatch", "gone");
        assertThat(browser.page.locator("tr.hit").count()).isZero(); // nothing differs, no fault stays
        browser.picture(PICTURES.resolve("prove.png"));
        browser.page.keyboard().press("Control+Enter");
        browser.awaitNext("Store how the vehicle is left");
        browser.act("Read and store");
        browser.awaitNext("Baseline is done");
        browser.page.keyboard().press("-");
        browser.awaitNext("Print the report");
    }

    private static void nextRoom(Browsing browser) {
        String job = browser.page.url();
        browser.open("/next-room");
        browser.awaitShown("text=Take it out of park");
        browser.picture(PICTURES.resolve("next-room.png"));
        browser.page.navigate(job);
    }

    private static void assertVehicle(JsonNode look) {
        JsonNode lift = look.path("modules").path("tail-lift");
        var pack = TestWorld.pack("brennick-lorne");
        assertThat(lift.path("vin").asString()).isEqualTo("0BKLR3A46MN004127");
        assertThat(lift.path("software").asString()).isEqualTo("3.12");
        assertThat(lift.path("counter").asInt()).isEqualTo(2);
        long crc = VirtualWorkshop.content(pack.module("tail-lift")).crc32();
        assertThat(lift.path("flashCrc").asString()).isEqualTo("%08X".formatted(crc));
        for (String block : new String[] {"lift-main", "lift-limits"}) {
            String wanted = FactoryCoding.block(pack, pack.layouts().get(block), Conditions.LORNE)
                    .hex();
            assertThat(lift.path("coding").path(block).asString()).isEqualTo(wanted);
        }
        look.path("modules")
                .forEach(module -> assertThat(module.path("faults").isEmpty()).isTrue());
        assertThat(look.path("modules").path("engine").path("counter").asInt())
                .isEqualTo(1); // neighbours were left alone
    }

    private static void record(Browsing browser, App app, String job) {
        browser.picture(PICTURES.resolve("record.png"));
        String report = browser.page.textContent(".report");
        assertThat(report)
                .contains(
                        "software 3.08 → 3.12",
                        "0BKLR3A48MN004131 → 0BKLR3A46MN004127",
                        "Platform: steel → aluminium",
                        "The function itself was tried");
        browser.act("Close the job");
        browser.awaitNext("This job is closed");
        browser.open("/records");
        assertThat(browser.page.textContent("tr:has(a:text-is('" + job + "'))"))
                .contains("Lorne …004127", "done", "Trace")
                .containsPattern("13\\.\\d\\d V");
        browser.picture(PICTURES.resolve("records.png"));
        browser.page.click("tr:has(a:text-is('" + job + "')) a:text-is('Trace')");
        browser.awaitShown("table.wire");
        long piece = Long.parseLong(browser.page.url().replaceAll(".*piece=|#.*", ""));
        assertThat(app.bean(TraceStore.class).beside(piece, -1)).isEmpty(); // of no other job
        JdbcClient jdbc = app.bean(JdbcClient.class);
        long number = Long.parseLong(job);
        assertThat(jdbc.sql("select count(*) from journal where state = 'OPEN'")
                        .query(Long.class)
                        .single())
                .isZero();
        assertThat(jdbc.sql(
                                "select l.before from change_ledger l join job j on j.id = l.job_id where j.number = ? and data_identifier = 61840")
                        .param(number)
                        .query(String.class)
                        .single())
                .isEqualTo(Bytes.ascii("0BKLR3A48MN004131").hex());
        assertThat(app.bean(AuditTrail.class).firstBroken()).isEmpty();
        jdbc.sql("update audit set who = 'somebody' where number = 2").update();
        assertThat(app.bean(AuditTrail.class).firstBroken()).contains(2L);
    }
}
