package codrane.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assumptions.assumeThat;
import static org.awaitility.Awaitility.await;

import codrane.app.RunningApp.App;
import codrane.app.job.Acted;
import codrane.app.live.RunStore;
import codrane.app.live.TraceStore;
import codrane.app.newjob.JobIntake;
import codrane.app.newjob.NewJobForm;
import codrane.app.stage.baseline.BaselineActs;
import codrane.app.stage.bench.BenchActs;
import codrane.app.stage.intake.IntakeActs;
import codrane.app.stage.intake.IntakeForm;
import codrane.app.stage.prepare.LearnedActs;
import codrane.app.stage.prepare.SheetActs;
import codrane.app.stage.run.RunActs;
import codrane.core.job.BeforeAgreeing;
import codrane.core.job.IntakeNotes;
import codrane.core.job.JobRun;
import codrane.core.job.hold.HoldRules;
import codrane.core.octets.Bytes;
import codrane.core.pack.Pack;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.JobKind;
import codrane.core.plan.Operation;
import codrane.core.plan.Stage;
import codrane.link.can.CanFrame;
import codrane.link.trace.TraceEvent;
import codrane.standin.Conditions;
import codrane.standin.StandinWorld;
import codrane.standin.module.AccessCodes;
import codrane.standin.module.Part;
import codrane.standin.vehicle.Setup;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.JsonNode;

/** A used gearbox module that must share the immobiliser's secret, from the code to a vehicle that starts. */
class PairingTest {
    private static final String WHO = "tech";
    private static final Pack LORNE = TestWorld.pack("brennick-lorne");
    private static final String CODE = AccessCodes.of(Conditions.LORNE, 5);
    private static final String KIND = "access-code";

    private static void done(Acted acted) {
        assertThat(acted).as(acted.toString()).isInstanceOf(Acted.Done.class);
    }

    private static JsonNode module(StandinWorld world, String id) {
        return TestWorld.look(world).path("modules").path(id);
    }

    private static JobSteps toPlan(App app, JobKind kind, String module, String origin) throws Exception {
        long number = ((JobIntake.Taken.Job) app.bean(JobIntake.class)
                        .take(
                                new NewJobForm(
                                        Conditions.LORNE.text(), "does not leave park", kind.name(), module, origin),
                                "desk"))
                .number();
        JobSteps job = new JobSteps(app, number);
        TestActs acts = TestActs.of(app);
        done(app.bean(IntakeActs.class).oldModule(number, IntakeNotes.OldModule.OUT, "desk"));
        done(app.bean(IntakeActs.class)
                .note(
                        number,
                        new IntakeForm(
                                null,
                                null,
                                null,
                                null,
                                null,
                                null,
                                "2",
                                "2",
                                "papers and the owner",
                                null,
                                null,
                                null,
                                null),
                        "desk"));
        done(acts.keep(number, HoldPoint.CONSENT, WHO, ""));
        done(app.bean(BenchActs.class).ask(number, WHO));
        job.scan();
        acts.waive(number, HoldPoint.IDENTITY_SETTLED, WHO, "the donor is known");
        done(app.bean(BaselineActs.class).store(number, "", WHO));
        job.awaitTask();
        done(acts.plan(number, WHO));
        return job;
    }

    private static String refusal(Acted acted) {
        return ((Acted.Refused) acted).sentence();
    }

    /** Everything but the code is here. */
    private static void toRun(App app, JobSteps job) throws Exception {
        TestActs acts = TestActs.of(app);
        assertThat(BeforeAgreeing.of(job.facts())).isEmpty();
        done(acts.keep(job.number, HoldPoint.LEAD_APPROVED, "lead", "as tested"));
        done(acts.keep(job.number, HoldPoint.PLAN_AGREED, WHO, ""));
        done(app.bean(SheetActs.class).fetch(job.number, WHO));
        if (job.facts().planHas(Operation.Kind.WRITE_LEARNED))
            done(app.bean(LearnedActs.class).type(job.number, "gearbox", Map.of("touch-point", "6,98"), WHO));
    }

    /** What can't be undone is agreed to last, by itself. */
    private static void releasable(App app, JobSteps job) {
        await().atMost(Duration.ofSeconds(60))
                .untilAsserted(() -> assertThat(HoldRules.progress(job.facts()).openBefore(Stage.RUN))
                        .as(job.facts().readiness().orElseThrow().missing().toString())
                        .isSubsetOf(HoldPoint.NO_WAY_BACK));
        done(TestActs.of(app).keep(job.number, HoldPoint.NO_WAY_BACK, WHO, ""));
    }

    private static Acted release(App app, JobSteps job) {
        List<String> all = job.facts().writes().stream().map(Operation::key).toList();
        return app.bean(RunActs.class).run(job.number, all, WHO);
    }

    private static void runs(JobSteps job) throws Exception {
        job.run();
        Until.so(() -> !run(job).running());
    }

    private static JobRun run(JobSteps job) {
        return job.facts().run().orElseThrow();
    }

    private static String path(JobSteps job, String act) {
        return "/jobs/" + job.number + "/" + act;
    }

    /** Digits of a code in anything that is kept, as text or in hex. */
    private static void nowhere(App app, JobSteps job, String code) {
        String hex = Bytes.ascii(code).hex();
        List<String> kept = new ArrayList<>();
        JdbcClient jdbc = app.bean(JdbcClient.class);
        for (String table : List.of("job_note", "journal", "audit", "press", "run"))
            kept.addAll(jdbc.sql("select t::text from " + table + " t")
                    .query(String.class)
                    .list());
        assertThat(kept).isNotEmpty().noneMatch(row -> row.contains(hex) || row.matches("(?s).*\\b" + code + "\\b.*"));
        TraceStore traces = app.bean(TraceStore.class);
        List<TraceStore.Piece> pieces = traces.of(run(job).id());
        assertThat(pieces).isNotEmpty();
        for (TraceStore.Piece piece : pieces)
            assertThat(traces.events(piece).orElseThrow()).isNotEmpty().noneMatch(event -> carries(event, code));
    }

    /** A code of five digits does not fit into one frame with its routine: two digits in a row are enough to tell. */
    private static boolean carries(TraceEvent event, String code) {
        return event instanceof TraceEvent.Frame(CanFrame frame, long nanos)
                && frame.data().hex().contains(Bytes.ascii(code.substring(2)).hex());
    }

    @Test
    void k11_usedGearbox_isPairedWithACodeThatIsNowhereToBeRead() throws Exception {
        Setup setup = Setup.healthy(LORNE, Conditions.LORNE).with("gearbox", Part.used(Conditions.LORNE_DONOR, "2.07"));
        try (StandinWorld world = TestWorld.with(setup)) {
            App app = RunningApp.launch(world);
            JobSteps job = toPlan(app, JobKind.REPLACE_IMMOBILISER, "gearbox", "SECOND_HAND");
            toRun(app, job);
            WebSession tech = WebSession.signIn(app.url(), WHO);
            assertThat(refusal(release(app, job))).contains("Everything that the plan needs is here");
            wrongEntries(job, tech);
            tech.post(path(job, "codes"), "kind", KIND, "code", "00000", "codeAgain", "00000");
            releasable(app, job);
            runs(job);
            assertThat(run(job).sentence()).isEqualTo("Key reader did not take the code; 2 attempts are left.");
            assertThat(run(job).state()).isEqualTo(JobRun.State.STOPPED);
            assertThat(module(world, "gearbox").path("paired").asBoolean()).isFalse();
            assertThat(refusal(release(app, job))).contains("Everything that the plan needs"); // it was forgotten
            assertThat(tech.follow(path(job, "codes"), "kind", KIND, "code", CODE, "codeAgain", CODE))
                    .contains("kept encrypted, typed by tech");
            runs(job);
            assertThat(run(job)).as(run(job).toString()).matches(JobRun::finished);
            assertThat(module(world, "gearbox").path("paired").asBoolean()).isTrue();
            assertThat(module(world, "gearbox").path("vin").asString()).isEqualTo(Conditions.LORNE.text());
            assertThat(app.bean(RunStore.class).journal(run(job).id(), 900))
                    .filteredOn(row -> row.request().equals("310103201B"))
                    .hasSize(2); // the wrong one, and the right one
            assertThat(tech.get(path(job, "record"))).contains("not paired → paired");
            nowhere(app, job, CODE);
            whoLooks(app, job);
            SecretPages.showNowhere(app, job.number, Conditions.LORNE.text(), KIND, CODE);
            app.context().close();
        }
    }

    private static void wrongEntries(JobSteps job, WebSession tech) throws Exception {
        for (String[] wrong : new String[][] {
            {"12345", "12354", "is not the same"}, {"1234", "1234", "has 5 digits"}, {"12a45", "12a45", "has 5 digits"}
        }) {
            String page = tech.follow(path(job, "codes"), "kind", KIND, "code", wrong[0], "codeAgain", wrong[1]);
            assertThat(page).contains(wrong[2]).doesNotContain(wrong[0]);
        }
        assertThat(tech.follow(path(job, "needs"), "need", KIND, "said", "here", "detail", "x"))
                .contains("typed below");
        assertThat(tech.follow(
                        path(job, "needs"),
                        "need",
                        KIND,
                        "said",
                        "asked",
                        "detail",
                        "it is 12345",
                        "due",
                        "2099-01-01"))
                .contains("Never write a code here");
    }

    /** A code is shown to the lead who says why, and to no technician; that it was shown is recorded. */
    private static void whoLooks(App app, JobSteps job) throws Exception {
        WebSession lead = WebSession.signIn(app.url(), "lead");
        assertThat(lead.follow(path(job, "codes/shown"), "kind", KIND, "why", ""))
                .contains("Say in a few words why");
        assertThat(lead.answered(path(job, "codes/shown"), "kind", KIND, "why", "the owner lost the card"))
                .contains(CODE);
        assertThat(WebSession.signIn(app.url(), WHO)
                        .answered(path(job, "codes/shown"), "kind", KIND, "why", "I want it"))
                .doesNotContain(CODE);
        assertThat(app.bean(JdbcClient.class)
                        .sql("select detail from audit where act = 'looked at a code'")
                        .query(String.class)
                        .single())
                .contains("the owner lost the card");
    }

    /** The keeper of the secret is new: every member is paired with it, then each key is learned while somebody turns it. */
    @Test
    void k12_newKeyReader_pairsEveryMember_andLearnsEachKeyInItsWindow() throws Exception {
        try (StandinWorld world = newKeyReader()) {
            App app = RunningApp.launch(world);
            JobSteps job = toPlan(app, JobKind.REPLACE_DEAD, "key-reader", "NEW");
            assertThat(module(world, "engine").path("paired").asBoolean()).isFalse();
            toRun(app, job);
            WebSession tech = WebSession.signIn(app.url(), WHO);
            tech.post(path(job, "codes"), "kind", KIND, "code", CODE, "codeAgain", CODE);
            releasable(app, job);
            runs(job);
            assertThat(run(job).sentence()).contains("\"Learn key 1 of 2\" is begun by somebody at the vehicle");
            for (String member : List.of("engine", "gearbox"))
                assertThat(module(world, member).path("paired").asBoolean())
                        .as(member)
                        .isTrue();
            turned(app, job, world);
            assertThat(run(job).sentence()).contains("\"Learn key 2 of 2\" is begun by somebody at the vehicle");
            assertThat(keys(world)).isEqualTo(1);
            turned(app, job, world);
            assertThat(run(job)).as(run(job).toString()).matches(JobRun::finished);
            assertThat(keys(world)).isEqualTo(2);
            assertThat(tech.get(path(job, "record"))).contains("keys known: 0 → 1", "keys known: 1 → 2");
            nowhere(app, job, CODE);
            app.context().close();
        }
    }

    /** Pulled when one member is paired and the next is not: the page says what to do, and none is paired twice. */
    @Test
    void k12_keyPulledBetweenTwoMembers_isSaid_andNoneIsPairedTwice() throws Exception {
        try (StandinWorld world = newKeyReader()) {
            App app = RunningApp.launch(world);
            JobSteps job = toPlan(app, JobKind.REPLACE_DEAD, "key-reader", "NEW");
            toRun(app, job);
            WebSession tech = WebSession.signIn(app.url(), WHO);
            tech.post(path(job, "codes"), "kind", KIND, "code", CODE, "codeAgain", CODE);
            releasable(app, job);
            try (Browsing browser = new Browsing(app.url(), WHO)) {
                TestWorld.act(world, "/fault?spec=delay:count=99999,ms=60"); // time enough between the two
                job.run();
                browser.open(path(job, "run"));
                while (!paired(world, "engine") && run(job).running()) Until.later(Duration.ofMillis(2));
                TestWorld.act(world, "/key/off");
                assumeThat(paired(world, "gearbox")).as("pulled too late").isFalse();
                browser.awaitShown("text=/Not yet: the key on|See that the key is on/");
                assertThat(paired(world, "gearbox")).isFalse();
                TestWorld.act(world, "/key/on");
                TestWorld.act(world, "/faults/clear");
                if (!run(job).running()) releasedAgain(browser);
                Until.so(() -> !run(job).running());
                browser.awaitShown("text=Learn key 1 of 2");
            }
            assertThat(paired(world, "engine") && paired(world, "gearbox")).isTrue();
            assertThat(app.bean(RunStore.class).journal(run(job).id(), 900))
                    .filteredOn(row -> row.purpose().startsWith("Pair ") && row.state() == RunStore.Answer.POSITIVE)
                    .hasSize(2);
            app.context().close();
        }
    }

    /** The key was pulled in the middle of an exchange: what had been sent is asked about first. */
    private static void releasedAgain(Browsing browser) {
        browser.awaitShown("text=it is asked first, and no code is sent blindly");
        browser.release();
    }

    /** The keeper of the secret is new, and knows nobody. */
    private static StandinWorld newKeyReader() throws Exception {
        return TestWorld.with(Setup.healthy(LORNE, Conditions.LORNE)
                .with(
                        "key-reader",
                        Part.unwritten(LORNE.module("key-reader").software().current())));
    }

    private static boolean paired(StandinWorld world, String member) {
        return module(world, member).path("paired").asBoolean();
    }

    private static int keys(StandinWorld world) {
        return TestWorld.look(world).path("keys").asInt();
    }

    /** Released, and the key turned once the module waits for it. */
    private static void turned(App app, JobSteps job, StandinWorld world) throws Exception {
        int known = keys(world);
        job.run();
        Until.so(() -> !run(job).running() || windows(app, job) == known + 1);
        TestWorld.act(world, "/key/off");
        TestWorld.act(world, "/key/on");
        Until.so(() -> !run(job).running());
        assertThat(keys(world)).as(run(job).toString()).isEqualTo(known + 1);
    }

    /** How often the keeper of the secret has opened its window. */
    private static long windows(App app, JobSteps job) {
        return app.bean(RunStore.class).journal(run(job).id(), 900).stream()
                .filter(row -> row.request().equals("31010321") && row.state() == RunStore.Answer.POSITIVE)
                .count();
    }
}
