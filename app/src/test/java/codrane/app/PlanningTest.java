package codrane.app;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.app.RunningApp.App;
import codrane.app.job.Acted;
import codrane.app.job.JobDesk;
import codrane.app.stage.decide.SettingActs;
import codrane.core.job.JobState;
import codrane.core.job.RunTasks;
import codrane.core.job.hold.HoldRules;
import codrane.core.pack.Pack;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.JobKind;
import codrane.core.vin.Vin;
import codrane.standin.Conditions;
import codrane.standin.StandinWorld;
import com.google.zxing.BarcodeFormat;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;

/** Planning in a browser, on vehicles that have what the jobs are about; and nothing is written by planning. */
class PlanningTest {
    private static final int SPEED = 20;
    private static final int DELIVERY = 40_000_000;
    private static final Path PICTURES = Path.of(System.getProperty("codrane.screenshots", "target/screenshots"));

    @TempDir
    Path folder;

    private static StandinWorld world;
    private static App app;

    @BeforeAll
    static void start() throws Exception {
        Pack lorne = TestWorld.pack("brennick-lorne");
        Pack almery = TestWorld.pack("brennick-almery");
        Pack dunlin = TestWorld.pack("peregil-dunlin");
        world = new StandinWorld(
                new StandinWorld.Stock(
                        List.of(
                                Conditions.usedTailLift(lorne),
                                Conditions.changedBus(lorne),
                                Conditions.newRadar(almery),
                                Conditions.blankBody(dunlin),
                                Conditions.newSteering(dunlin)),
                        List.of(Conditions.newRamp(TestWorld.pack("tolvane-chorus"))),
                        Duration.ofSeconds(1)),
                StandinWorld.Ports.FREE,
                SPEED,
                DELIVERY);
        app = RunningApp.launch(world);
    }

    @AfterAll
    static void stop() throws Exception {
        app.context().close();
        world.close();
    }

    private static long atDecide(Vin vin, JobKind kind, String module, String origin) throws Exception {
        return new AtDecide(app, world).job(vin, kind, module, origin);
    }

    private static void done(Acted acted) {
        assertThat(acted).isInstanceOf(Acted.Done.class);
    }

    private static JobState facts(long number) {
        return app.bean(JobDesk.class).state(number);
    }

    private static JsonNode module(String id) {
        return TestWorld.look(world).path("modules").path(id);
    }

    /** What is folded is unfolded first. */
    private static String text(Browsing browser) {
        browser.page.evaluate("document.querySelectorAll('.plan details').forEach(d => { d.open = true; })");
        return browser.page.innerText("main");
    }

    @Test
    void k2_alteredBody_isFoundByItsNumberAndPlannedWithTheSameVersion() throws Exception {
        long number = atDecide(Conditions.LORNE_BUS, JobKind.RESTORE_SOFTWARE, "body", "");
        JsonNode before = module("body");
        try (Browsing browser = new Browsing(app.url(), "tech")) {
            browser.open("/jobs/" + number + "/decide");
            browser.awaitNext("Let the rules make a plan");
            browser.act("Make the plan");
            browser.awaitNext("gree");
            assertThat(text(browser))
                    .contains("The verification number is none of the maker's")
                    .contains("its counter one more than before")
                    .contains("Write the coding of the body back")
                    .contains("What is erased in place is read first");
            assertThat(browser.troubles()).isEmpty();
        }
        assertThat(module("body")).isEqualTo(before); // planning writes nothing
    }

    @Test
    void k8_foldingRamp_isChosenAgainstTheOrderThatWasReadAndThePartComesLast() throws Exception {
        long number = atDecide(Conditions.CHORUS, JobKind.RETROFIT, "", "");
        try (Browsing browser = new Browsing(app.url(), "tech")) {
            browser.open("/jobs/" + number + "/decide");
            browser.awaitNext("Which option codes go out, which go in?");
            assertThat(text(browser)).contains("codes, read from the vehicle.");
            assertThat(browser.page.locator("input[name=out][value=RMP2]").count())
                    .isZero(); // it is not there
            browser.page.check("input[name=in][value=RMP2]");
            assertThat(browser.page.isChecked("input[name=out][value=RMP1]")).isTrue(); // it takes its place
            browser.page.uncheck("input[name=out][value=RMP1]");
            browser.page.click("button:has-text(\"Take these\")");
            browser.awaitNext("RMP1 and RMP2 exclude each other: which of them stays?");
            browser.page.click("summary:has-text(\"The shelves\")");
            browser.page.check("input[name=out][value=RMP1]");
            browser.page.click("button:has-text(\"Take these\")");
            browser.awaitNext("Let the rules make a plan");
            browser.act("Make the plan");
            browser.awaitNext("gree");
            String page = text(browser);
            String steps = browser.page.innerText(".plan");
            int ramp = steps.indexOf("Write the derived coding of the ramp");
            assertThat(steps.indexOf("Write the derived coding of the doors")).isBetween(0, ramp);
            assertThat(steps.indexOf("Ramp finds its zero")).isGreaterThan(ramp);
            assertThat(page).contains("Order and modules disagree until the coding is written");
        }
        assertThat(TestWorld.lookDoip(world)
                        .path("modules")
                        .path("body")
                        .path("order")
                        .asString())
                .startsWith("MKT1 RMP1 WSH1 WCH2 ");
        // derived coding and the routines after it are carried out, also with a wish that goes along
        SettingActs also = app.bean(SettingActs.class);
        assertThat(RunTasks.unable(facts(number))).isEmpty();
        done(also.setting(number, "doors-main/counting", "yes", "tech"));
        assertThat(RunTasks.unable(facts(number))).isEmpty();
        done(also.out(number, "doors-main/counting", "tech"));
        // and what comes with chosen equipment has that one value
        done(also.feature(number, "wash", "tech"));
        assertThat(also.setting(number, "body-main/wash", "no", "tech").toString())
                .contains("comes with the chosen equipment");
        assertThat(also.out(number, "body-main/wash", "tech").toString()).contains("No such setting");
    }

    @Test
    void k9_overruledAndTakenBack_isPlannedAgainAndShowsWhatChangedAndWhy() throws Exception {
        long number = atDecide(Conditions.LORNE, JobKind.REPLACE_MODULE, "tail-lift", "SECOND_HAND");
        try (Browsing browser = new Browsing(app.url(), "tech")) {
            browser.open("/jobs/" + number + "/decide");
            browser.act("Make the plan");
            browser.awaitNext("Agree to 5 writing steps");
            browser.act("Agree to this plan");
            browser.awaitNext("Fetch the calibration");
            browser.open("/jobs/" + number + "/decide");
            overrule(browser, "software", "code-only", "");
            // an overrule without a reason is none
            assertThat(browser.page.locator(".changed").count()).isZero();
            overrule(browser, "software", "code-only", "The workshop has no file, and the customer waits");
            browser.awaitShown(".changed");
            assertThat(browser.page.innerText(".changed"))
                    .contains("gone")
                    .contains("Program the tail lift")
                    .contains("Coded only. Overruled by tech")
                    .contains("3.08 stays, though the vehicle needs 3.12");
            browser.awaitNext("Agree to 4 writing steps"); // what was agreed to is another plan now
            assertThat(limits(number))
                    .as("as software 3.08 keeps them, which stays")
                    .isEqualTo(10);
            browser.picture(PICTURES.resolve("decide.png"));
            browser.page.click("#call-software summary");
            browser.page.click("#call-software button:has-text(\"Take it back\")");
            browser.awaitNext("Agree to 5 writing steps");
            assertThat(browser.page.innerText(".changed")).contains("new").contains("older than 3.12");
            assertThat(limits(number))
                    .as("as 3.12 keeps them, which is programmed before")
                    .isEqualTo(12);
        }
        assertThat(facts(number).plan().orElseThrow().version()).isEqualTo(3);
    }

    /** Bytes of the lift's limits, as the plan writes them. */
    private int limits(long number) {
        return facts(number).packWritten().layout("lift-limits").length();
    }

    private static void overrule(Browsing browser, String school, String answer, String why) {
        if (browser.page.getAttribute("#call-" + school, "open") == null)
            browser.page.click("#call-" + school + " summary");
        browser.page.selectOption("#call-" + school + " select", answer);
        browser.page.fill("#call-" + school + " input[name=why]", why);
        browser.page.click("#call-" + school + " button:has-text(\"Overrule, plan again\")");
    }

    @Test
    void k9_wording_isKeptAsEvidenceAndPlannedByIt() throws Exception {
        long number = atDecide(Conditions.LORNE, JobKind.REPLACE_MODULE, "tail-lift", "SECOND_HAND");
        try (Browsing browser = new Browsing(app.url(), "tech")) {
            browser.open("/jobs/" + number + "/decide");
            browser.act("Make the plan");
            browser.awaitNext("gree");
            browser.page.fill("#wording", "Fit the controller. Configure it; programming is not needed.");
            browser.page.click("button:has-text(\"Keep it, plan again\")");
            browser.awaitNext("is it to be programmed, or only coded?"); // the vehicle needs newer software
            assertThat(text(browser)).contains("Configure: “Configure it; programming is not needed.”");
            browser.page.fill("#wording", "Fit the controller. Configure it.");
            browser.page.click("button:has-text(\"Keep it, plan again\")");
            browser.awaitShown(".changed");
            assertThat(text(browser)).contains("The service information asks for less");
        }
    }

    @Test
    void k12_blankBodyAndAMissingKey_isApprovedCountedAndSaysWhereOrderAndCodingComeFrom() throws Exception {
        long number = atDecide(Conditions.DUNLIN, JobKind.REPLACE_DEAD, "body", "NEW");
        try (Browsing browser = new Browsing(app.url(), "tech")) {
            browser.open("/jobs/" + number + "/decide");
            browser.awaitNext("How many keys has the vehicle, and how many are here?");
            browser.page.click(".asks a:has-text(\"At Intake\")");
            browser.page.fill("#keysHere", "2");
            browser.page.fill("input[name=keysAll]", "3");
            browser.page.click("main form button:has-text(\"Note it\")");
            browser.awaitShown(".busy:has-text(\"Noted\")");
            browser.open("/jobs/" + number + "/decide");
            browser.act("Make the plan");
            browser.awaitNext("The lead approves this first");
            assertThat(browser.page.locator("button:has-text(\"Approve it\")").count())
                    .isZero(); // not his to do
            assertThat(text(browser))
                    .contains("Pair the engine with the body")
                    .contains("Learn 2 keys")
                    .contains("1 of 3 keys is missing")
                    .contains("it comes from what was read of the old one, or from the papers")
                    .contains("Island Keys Notice 2025, since 1 Jan 2025");
        }
        try (Browsing browser = new Browsing(app.url(), "lead")) {
            browser.open("/jobs/" + number + "/decide");
            browser.act("Approve it");
            browser.awaitNext("gree");
            browser.act("Agree to this plan");
            browser.awaitShown(".needs");
            assertThat(browser.page.innerText(".needs"))
                    .contains("Access code")
                    .contains("Code of the day")
                    .contains("2 of 3 are here")
                    .contains("A vehicle to compare with");
            assertThat(text(browser)).contains("earliest start");
        }
        assertThat(module("body").path("vin").asString()).isNotEqualTo(Conditions.DUNLIN.text());
    }

    @Test
    void k14_newRadar_isComparedByItsLabelCodedAndAimedAfterwards() throws Exception {
        long number = atDecide(Conditions.ALMERY_KNOCKED, JobKind.REPLACE_SENSOR, "front-radar", "NEW");
        try (Browsing browser = new Browsing(app.url(), "tech")) {
            browser.open("/jobs/" + number + "/decide");
            browser.act("Make the plan");
            browser.awaitNext("The lead approves this first");
            String page = text(browser);
            String steps = browser.page.innerText(".plan");
            assertThat(steps.indexOf("Write the coding of the front radar"))
                    .isBetween(0, steps.indexOf("Aim the front radar"));
            assertThat(page).contains("targets for aiming").contains("Drive it, then look at the faults again");
            browser.page.fill("input[name=offered]", "BK-49110-D7");
            browser.page.click("button:has-text(\"Compare\")");
            browser.awaitNext("The plan is blocked");
            assertThat(browser.page.innerText(".next button >> nth=0")).isEqualTo("Plan again"); // no scan mends that
            assertThat(text(browser)).contains("Ask the parts desk first").contains("no list says that suffix D7");
            overrule(browser, "part", "parts-desk-agreed", "By telephone, with its number");
            browser.awaitNext("The lead approves this first");
            browser.page.fill("input[name=offered]", "BK-49110-D8"); // they agreed to one number
            browser.page.click("button:has-text(\"Compare\")");
            browser.awaitNext("The plan is blocked");
            browser.page.setInputFiles(
                    ".labelphoto input", Labels.picture(folder, "BK-49110-B2", BarcodeFormat.CODE_128));
            browser.awaitValue("input[name=offered]", "BK-49110-B2");
            browser.page.click("button:has-text(\"Compare\")");
            browser.awaitNext("The lead approves this first");
            assertThat(text(browser)).contains("accepts suffix B2").contains("No VIN.");
        }
        assertThat(module("front-radar").path("coding").path("radar-aim").asString())
                .matches("F+|0+");
    }

    @Test
    void k15_fileByMail_isAskedForWaitsOnTodayArrivesAndBelongsToTheJob() throws Exception {
        long number = atDecide(Conditions.DUNLIN_HEAVY, JobKind.REPLACE_LICENSED, "steering", "NEW");
        try (Browsing browser = new Browsing(app.url(), "lead")) {
            browser.open("/jobs/" + number + "/decide");
            browser.act("Make the plan");
            browser.awaitNext("The lead approves this first");
            browser.open("/jobs/" + number + "/prepare");
            assertThat(text(browser)).contains("Nothing that costs is offered before");
            browser.open("/jobs/" + number + "/decide");
            browser.act("Approve it");
            browser.awaitNext("gree");
            browser.act("Agree to this plan");
            browser.awaitNext("Ask for the calibration of the steering by mail");
            browser.act("Draft the letter");
            browser.awaitNext("Send the letter");
            assertThat(browser.page.innerText(".letter"))
                    .contains("VIN: 0PG DN4B2Z HC013402")
                    .contains("JOB-" + number + "-STR");
            browser.act("Send it");
            browser.awaitNext("The calibration is on its way");
            browser.open("/");
            assertThat(browser.page.innerText(".card-c.wait"))
                    .contains("Steering, new")
                    .contains("on its way, expected");
            browser.picture(PICTURES.resolve("today.png"));
            browser.open("/jobs/" + number + "/prepare");
            browser.page.waitForTimeout(1500);
            browser.act("Look for the answer");
            browser.awaitNext("Somebody who may do it");
            assertThat(browser.page.innerText(".needs")).contains("Calibration, steering");
            assertThat(browser.troubles()).isEmpty();
        }
        JobState facts = facts(number);
        assertThat(facts.calibration().orElseThrow().manifest().module()).isEqualTo("steering");
        assertThat(facts.prepared().letter("steering").orElseThrow().arrivedAs())
                .endsWith(".hex");
        assertThat(HoldRules.progress(facts).passed(HoldPoint.FILE_CHECKED)).isTrue();
        assertThat(module("steering").path("bootOnly").asBoolean()).isTrue();
    }

    @Test
    void menu_learnedOnAClosedJob_isShownOnTheNextPlan() throws Exception {
        long first = atDecide(Conditions.LORNE, JobKind.REPLACE_MODULE, "tail-lift", "SECOND_HAND");
        done(TestActs.of(app).plan(first, "tech"));
        try (Browsing browser = new Browsing(app.url(), "tech")) {
            browser.open("/jobs/" + first + "/record");
            browser.page.selectOption("#m-op", "program-tail-lift");
            browser.page.fill("#m-tool", "Wren");
            browser.page.fill("#m-word", "Load controller data");
            browser.page.fill("#m-path", "Body, Lift, Service, Load");
            browser.page.fill("#m-warn", "needs a long hood cable");
            browser.page.click("button:has-text(\"Note it\")");
            browser.awaitShown("caption:has-text(\"What tools call it\")");
            long next = atDecide(Conditions.LORNE, JobKind.REPLACE_MODULE, "tail-lift", "SECOND_HAND");
            browser.open("/jobs/" + next + "/decide");
            browser.act("Make the plan");
            browser.awaitNext("gree");
            assertThat(text(browser)).doesNotContain("Wren calls it"); // one person's word until the job is closed
            app.bean(codrane.app.job.JobStore.class).close(facts(first).job(), Instant.now());
            browser.open("/jobs/" + next + "/decide");
            assertThat(text(browser))
                    .contains("Wren calls it “Load controller data”: Body, Lift, Service, Load. It warns: needs a long"
                            + " hood cable (learned on job " + first + ")");
        }
    }

    @Test
    void policy_levelSetByTheLead_holdsForThePlansAfterIt() throws Exception {
        try (Browsing browser = new Browsing(app.url(), "lead")) {
            browser.open("/policy");
            browser.page.check("input[name=coding-voltage][value=held]");
            browser.page.click("button:has-text(\"Keep these answers\")");
            browser.awaitShown(".busy:has-text(\"Kept\")");
            long number = atDecide(Conditions.ALMERY_KNOCKED, JobKind.CHANGE_LINE, "", "");
            browser.open("/jobs/" + number + "/decide");
            line(browser, "BOD/03 octet 4: 30 -> 50");
            browser.act("Make the plan");
            browser.awaitNext("gree");
            assertThat(text(browser)).contains("13.3 V to start").contains("Workshop policy.");
            browser.open("/policy");
            browser.page.check("input[name=coding-voltage][value=start-only]");
            browser.page.click("button:has-text(\"Keep these answers\")");
            browser.awaitShown(".busy:has-text(\"Kept\")");
        }
    }

    private static void line(Browsing browser, String text) {
        browser.page.fill("input[name=line]", text);
        browser.page.click("button:has-text(\"Judge it and take it\")");
    }
}
