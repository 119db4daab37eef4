package codrane.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.security.test.web.servlet.setup.SecurityMockMvcConfigurers.springSecurity;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import codrane.app.RunningApp.App;
import codrane.app.job.Acted;
import codrane.app.job.JobDesk;
import codrane.app.live.JobTasks;
import codrane.app.newjob.JobIntake;
import codrane.app.newjob.NewJobForm;
import codrane.app.shelf.MakerServiceClient;
import codrane.app.stage.baseline.BaselineActs;
import codrane.app.stage.bench.BenchActs;
import codrane.app.stage.identify.ScanActs;
import codrane.app.stage.intake.IntakeActs;
import codrane.app.stage.prepare.PrepareActs;
import codrane.app.stage.prepare.SheetActs;
import codrane.app.stage.run.RunActs;
import codrane.core.calibration.Manifest;
import codrane.core.job.IntakeNotes;
import codrane.core.job.hold.HoldRules;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.Stage;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.MvcResult;
import org.springframework.test.web.servlet.RequestBuilder;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.springframework.test.web.servlet.setup.MockMvcBuilders;
import org.springframework.web.context.WebApplicationContext;

/** Bad input gets a clear sentence and changes nothing. */
@ExtendWith(RunningApp.class)
class BadInputTest {
    private MockMvc mvc;
    private App app;

    @BeforeEach
    void setUp(App running) {
        app = running;
        mvc = MockMvcBuilders.webAppContextSetup((WebApplicationContext) app.context())
                .apply(springSecurity())
                .build();
    }

    private MvcResult perform(RequestBuilder request) throws Exception {
        return mvc.perform(request).andReturn();
    }

    private static MockHttpServletRequestBuilder signed(MockHttpServletRequestBuilder request) {
        return request.with(csrf()).with(user("lead").roles("LEAD"));
    }

    private long rows(String table) {
        return app.bean(JdbcClient.class)
                .sql("select count(*) from " + table)
                .query(Long.class)
                .single();
    }

    /** A job of its own, with a plan. */
    private long jobAtPrepare() throws InterruptedException {
        long number = new JobSteps(app, "tail-lift").toPlan().number;
        TestActs.of(app).keep(number, HoldPoint.PLAN_AGREED, "tech", "");
        return number;
    }

    private void await(long number) throws InterruptedException {
        JobTasks tasks = app.bean(JobTasks.class);
        Until.so(() -> tasks.of(number).map(JobTasks.Progress::ended).orElse(false));
        assertThat(tasks.of(number).orElseThrow().error()).isEmpty();
        tasks.seen(number);
    }

    @ParameterizedTest
    @CsvSource({
        "0BKLR3A45MN004127, REPLACE_MODULE, tail-lift, the other characters ask for 6",
        "0BKLR3A46MN00412, REPLACE_MODULE, tail-lift, this has 16",
        "11111111111111111, REPLACE_MODULE, tail-lift, No pack on this computer covers this VIN",
        "0BKLR3A46MN004127, REPLACE_MODULE, warp-drive, Choose the module that was replaced",
        "0BKLR3A46MN004127, EAT_CAKE, tail-lift, Choose what is to be done"
    })
    void newJob_wrong_saysWhyAndTakesNothingIn(String vin, String kind, String module, String sentence)
            throws Exception {
        long before = rows("job");
        MockHttpServletResponse response = perform(signed(post("/jobs")
                        .param("vin", vin)
                        .param("complaint", "test")
                        .param("kind", kind)
                        .param("replaced", module)
                        .param("origin", "NEW")))
                .getResponse();
        assertThat(response.getContentAsString()).contains(sentence);
        assertThat(rows("job")).isEqualTo(before);
    }

    @ParameterizedTest
    @CsvSource({
        "/jobs/999999/intake, There is no job 999999",
        "/jobs/abc/intake, no such page",
        "/jobs/2201/nowhere, no such page",
        "/vehicles/rubbish, no such page"
    })
    void page_unknown_isAClearPage(String path, String sentence) throws Exception {
        MockHttpServletResponse response = perform(signed(get(path))).getResponse();
        assertThat(response.getStatus()).isEqualTo(404);
        assertThat(response.getContentAsString()).contains(sentence);
    }

    @ParameterizedTest
    @CsvSource({
        "spreader, Spreader module is new",
        "lift does not move, Tail lift does not move",
        "gannet, Gannet",
        "%%%, Nothing is found"
    })
    void find_words_findsJobsAndVehicles(String words, String found) throws Exception {
        String page =
                perform(signed(get("/find").param("q", words))).getResponse().getContentAsString();
        assertThat(page).contains(found);
    }

    @Test
    void upload_rubbishDamagedOrForOtherHardware_isRefusedAndNothingStored() throws Exception {
        long number = jobAtPrepare();
        long before = rows("stored_file");
        MakerServiceClient service = app.bean(MakerServiceClient.class);
        var pack = TestWorld.pack("brennick-lorne");
        Manifest other = service.calibrations(pack, "tail-lift").stream()
                .filter(m -> m.id().endsWith("-Z"))
                .findFirst()
                .orElseThrow();
        byte[] forOther = service.file(pack, other, done -> {}, file -> file.head((int) file.length()));
        byte[] damaged = forOther.clone();
        damaged[1000] = 'x';
        assertThat(upload(number, "rubbish".getBytes(StandardCharsets.UTF_8))).contains("knows no such file");
        assertThat(upload(number, new byte[0])).contains("damaged");
        assertThat(upload(number, damaged)).contains("is damaged. Line 14, column 73: 'x' is not a hex digit");
        assertThat(upload(number, forOther)).contains("the file is for BK-67220-Z1");
        assertThat(rows("stored_file")).isEqualTo(before);
        assertThat(app.bean(JobDesk.class).state(number).calibration()).isEmpty();
    }

    private String upload(long number, byte[] content) throws Exception {
        MockMultipartFile file = new MockMultipartFile("file", "../../etc/x.hex", "text/plain", content);
        MvcResult result = perform(multipart("/jobs/" + number + "/calibration-upload")
                .file(file)
                .with(csrf())
                .with(user("lead").roles("LEAD")));
        return String.valueOf(result.getFlashMap().get("refused"));
    }

    @Test
    void sheet_wrongOrForAnotherVehicle_isRefused() throws Exception {
        long number = jobAtPrepare();
        assertThat(sentence(app.bean(SheetActs.class).paste(number, "LFT/01  00 | 00", "", "", "lead")))
                .contains("check byte does not fit");
        assertThat(sentence(app.bean(SheetActs.class).paste(number, "", "", "", "lead")))
                .contains("hold 0 bytes");
        var pack = TestWorld.pack("brennick-lorne");
        String donors = app.bean(MakerServiceClient.class)
                .lineSheet(pack, "tail-lift", new codrane.core.vin.Vin("0BKLR3A48MN004131"));
        assertThat(sentence(app.bean(SheetActs.class).paste(number, donors, "", "", "lead")))
                .contains("for another VIN");
        assertThat(app.bean(JobDesk.class).state(number).sheet()).isEmpty();
    }

    @Test
    void acts_outOfOrder_areRefusedAndNothingIsWritten() throws Exception {
        long number = new JobSteps(app, "tail-lift").toPlan().number;
        TestActs acts = TestActs.of(app);
        PrepareActs prepares = app.bean(PrepareActs.class);
        long runs = rows("run");
        assertThat(sentence(app.bean(RunActs.class).run(number, java.util.List.of(), "lead")))
                .contains("Still open", "The plan is agreed to");
        assertThat(sentence(app.bean(RunActs.class).recover(number, "lead"))).contains("no interrupted run");
        assertThat(sentence(acts.keep(number, HoldPoint.FILE_CHECKED, "lead", "")))
                .contains("not by a click");
        assertThat(sentence(acts.keep(number, HoldPoint.WRITES_RELEASED, "lead", "")))
                .contains("by starting the run");
        acts.keep(number, HoldPoint.PLAN_AGREED, "lead", "");
        assertThat(sentence(acts.keep(number, HoldPoint.GAPS_CONFIRMED, "lead", "")))
                .contains("Nothing of this job needs that");
        assertThat(sentence(acts.waive(number, HoldPoint.FUNCTION_TESTED, "lead", "because")))
                .contains("comes before Prove");
        assertThat(sentence(acts.waive(number, HoldPoint.CONSENT, "lead", " "))).contains("why it is waived");
        assertThat(sentence(acts.waive(number, HoldPoint.PLAN_AGREED, "lead", "because")))
                .contains("can't be waived");
        assertThat(sentence(app.bean(BenchActs.class).readOld(number, "lead"))).contains("no old module");
        assertThat(sentence(app.bean(RunActs.class).stop(number, "lead"))).contains("No run is under way");
        assertThat(sentence(prepares.fetch(number, "NO-SUCH", "", "lead"))).contains("does not offer");
        assertThat(sentence(prepares.fetch(number, "LFT-312-Z", "", "lead"))).contains("the file is for BK-67220-Z1");
        assertThat(sentence(acts.close(number, "lead"))).contains("not through yet");
        assertThat(rows("run")).isEqualTo(runs);
    }

    /** From an empty job on: what belongs to a later stage is refused with a sentence that names the way. */
    @Test
    void acts_ofAJobJustTakenIn_areRefusedByTheirStage() {
        JobIntake.Taken taken = app.bean(JobIntake.class)
                .take(new NewJobForm("0BKLR3A46MN004127", "test", "REPLACE_MODULE", "tail-lift", "NEW"), "lead");
        long number = ((JobIntake.Taken.Job) taken).number();
        TestActs acts = TestActs.of(app);
        assertThat(sentence(app.bean(BenchActs.class).ask(number, "lead"))).contains("Intake comes before Bench");
        assertThat(sentence(app.bean(ScanActs.class).scan(number, "lead"))).contains("Intake comes before Identify");
        assertThat(sentence(app.bean(BaselineActs.class).store(number, "", "lead")))
                .contains("Intake comes before Baseline");
        assertThat(sentence(acts.plan(number, "lead"))).contains("Intake comes before Decide");
        assertThat(sentence(acts.keep(number, HoldPoint.GAPS_CONFIRMED, "lead", "")))
                .contains("comes before Prepare");
        assertThat(sentence(acts.keep(number, HoldPoint.SETTLED, "lead", ""))).contains("comes before Settle");
        assertThat(sentence(app.bean(RunActs.class).run(number, List.of("clear"), "lead")))
                .contains("Still open");
        assertThat(sentence(acts.close(number, "lead"))).contains("not through yet");
        assertThat(app.bean(JobDesk.class).state(number).job().version()).isZero();
    }

    @ParameterizedTest
    @CsvSource({"complaint, 401", "vin, 41"})
    void newJob_longerThanItsForm_isRefused(String field, int length) throws Exception {
        long before = rows("job");
        var response =
                perform(signed(post("/jobs").param(field, "x".repeat(length)))).getResponse();
        assertThat(response.getStatus()).isEqualTo(400);
        assertThat(response.getContentAsString()).contains("At most");
        assertThat(rows("job")).isEqualTo(before);
    }

    @Test
    void text_withANul_isRefusedWithASentence() throws Exception {
        for (String path : new String[] {"/jobs", "/jobs/2201/notes", "/policy", "/people"}) {
            var response =
                    perform(signed(post(path).param("complaint", "a\0b"))).getResponse();
            assertThat(response.getStatus()).as(path).isEqualTo(400);
            assertThat(response.getContentAsString()).contains("a character that no text has");
        }
        assertThat(perform(signed(get("/find").param("q", "a\0b")))
                        .getResponse()
                        .getStatus())
                .isEqualTo(400);
    }

    @Test
    void day_absurd_isRefusedWithASentence() throws Exception {
        for (String day : new String[] {"9999-12-31", "0044-03-15", "2026-02-31"}) {
            var pass = perform(signed(post("/passes/brennick").param("until", day)));
            assertThat((String) pass.getFlashMap().get("refused")).as(day).contains("Nothing was changed");
        }
        var longer = perform(signed(post("/passes/brennick").param("until", "+999999999-12-31")));
        assertThat(longer.getResponse().getStatus()).isEqualTo(400);
    }

    @Test
    void lockedGateway_wisp_isReadOnly() throws Exception {
        TestActs acts = TestActs.of(app);
        JobIntake.Taken taken = app.bean(JobIntake.class)
                .take(new NewJobForm("0TVWP2E67TN002240", "test", "REPLACE_MODULE", "climate", "NEW"), "lead");
        long number = ((JobIntake.Taken.Job) taken).number();
        app.bean(IntakeActs.class).oldModule(number, IntakeNotes.OldModule.OUT, "lead");
        acts.keep(number, HoldPoint.CONSENT, "lead", "");
        assertThat(app.bean(BenchActs.class).ask(number, "lead")).isInstanceOf(Acted.Done.class); // over DoIP
        app.bean(ScanActs.class).scan(number, "lead");
        await(number);
        assertThat(app.bean(JobDesk.class).state(number).before().orElseThrow().readings())
                .hasSize(10);
        app.bean(BaselineActs.class).store(number, "", "lead");
        await(number);
        acts.plan(number, "lead");
        acts.keep(number, HoldPoint.PLAN_AGREED, "lead", "");
        // the supply must have held for ten seconds
        Until.so(
                "only the authorisation is open",
                () -> HoldRules.progress(app.bean(JobDesk.class).state(number))
                        .openBefore(Stage.RUN)
                        .equals(List.of(HoldPoint.AUTHORISED)));
        assertThat(sentence(app.bean(RunActs.class).run(number, List.of(), "lead")))
                .contains("The gateway is locked", "Nothing was sent");
    }

    private static String sentence(Acted acted) {
        return ((Acted.Refused) acted).sentence();
    }

    @ParameterizedTest
    @CsvSource({
        "decide/origin, origin, PERHAPS, Choose where the part comes from",
        "decide/feature, feature, time-travel, knows no such equipment",
        "decide/order, in, ZZZ9, There is no such option code",
        "decide/setting, setting, body-main/nothing, Choose a setting",
        "decide/line, line, BOD/01, changes no line",
        "overrule/neighbours, answer, maybe, Choose one of the answers",
        "overrule/weather, answer, sunny, Choose one of the answers",
        "menu, operation, fly, The plan has no such operation",
        "needs, need, luck, The plan needs no such thing"
    })
    void decide_nonsense_isRefusedWithASentenceAndChangesNothing(String path, String key, String value, String sentence)
            throws Exception {
        long number = jobAtPrepare();
        int version = app.bean(JobDesk.class).state(number).plan().orElseThrow().version();
        var result = perform(signed(post("/jobs/" + number + "/" + path)
                .param(key, value)
                .param("value", "1")
                .param("why", "because I say so")
                .param("said", "here")));
        assertThat((String) result.getFlashMap().get("refused")).contains(sentence);
        assertThat(app.bean(JobDesk.class).state(number).plan().orElseThrow().version())
                .isEqualTo(version);
    }

    @Test
    void decide_tooLong_isRefused() throws Exception {
        long number = jobAtPrepare();
        var wording = perform(signed(post("/jobs/" + number + "/decide/wording").param("text", "x".repeat(5000))));
        assertThat((String) wording.getFlashMap().get("refused")).contains("4,000");
        var part = perform(signed(post("/jobs/" + number + "/decide/part")
                .param("fitted", "x".repeat(50))
                .param("offered", "")));
        assertThat(part.getResponse().getStatus()).isEqualTo(400);
        assertThat(part.getResponse().getContentAsString()).contains("At most 40 characters");
        var why = perform(signed(post("/jobs/" + number + "/overrule/neighbours")
                .param("answer", "level-set")
                .param("why", "no")));
        assertThat((String) why.getFlashMap().get("refused")).contains("why it is overruled");
    }

    @Test
    void policyAndPass_nonsense_isRefusedAndChangesNothing() throws Exception {
        long before = rows("workshop_policy");
        var policy = perform(signed(post("/policy").param("neighbours", "burn-them")));
        assertThat((String) policy.getFlashMap().get("refused")).contains("no such answer");
        assertThat(rows("workshop_policy")).isEqualTo(before);
        for (String until : new String[] {"2001-01-01", "soon", ""}) {
            var pass = perform(signed(post("/passes/brennick").param("until", until)));
            assertThat((String) pass.getFlashMap().get("refused")).contains("Nothing was changed");
        }
        var nobody = perform(signed(post("/passes/nobody").param("until", "2031-01-01")));
        assertThat((String) nobody.getFlashMap().get("refused")).contains("Nothing was changed");
    }
}
