package codrane.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;

import codrane.app.job.JobDesk;
import codrane.app.job.JobStore;
import codrane.app.newjob.JobIntake;
import codrane.app.newjob.NewJobForm;
import codrane.app.policy.Passes;
import java.util.Arrays;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.security.test.web.servlet.setup.SecurityMockMvcConfigurers;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.setup.MockMvcBuilders;
import org.springframework.web.context.WebApplicationContext;

/** The board of today: full, and true. */
@ExtendWith(RunningApp.class)
class BoardTest {
    private static final int OPEN = 500;
    private static final int ROUNDS = 25;

    private static MockMvc mvc(RunningApp.App app) {
        return MockMvcBuilders.webAppContextSetup((WebApplicationContext) app.context())
                .apply(SecurityMockMvcConfigurers.springSecurity())
                .build();
    }

    private static String board(RunningApp.App app) throws Exception {
        return mvc(app).perform(get("/").with(user("lead").roles("LEAD")))
                .andReturn()
                .getResponse()
                .getContentAsString();
    }

    private static long take(RunningApp.App app, String complaint) {
        return ((JobIntake.Taken.Job) app.bean(JobIntake.class)
                        .take(
                                new NewJobForm(
                                        "0BKLR3A46MN004127", complaint, "REPLACE_MODULE", "tail-lift", "SECOND_HAND"),
                                "desk"))
                .number();
    }

    @Test
    void today_fullOfJobs_isQuick(RunningApp.App app) throws Exception {
        JdbcClient jdbc = app.bean(JdbcClient.class);
        JobSteps steps = new JobSteps(app, "tail-lift").toPlan();
        long source = app.bean(JobStore.class).find(steps.number).orElseThrow().id();
        fill(jdbc, source);
        try {
            long cold = System.nanoTime();
            board(app);
            cold = System.nanoTime() - cold;
            long[] nanos = new long[ROUNDS];
            for (int round = 0; round < ROUNDS; round++) {
                if (round % 5 == 0) touch(jdbc); // somebody works meanwhile
                long begun = System.nanoTime();
                String page = board(app);
                nanos[round] = System.nanoTime() - begun;
                assertThat(page.split("class=\"card-c ").length).isGreaterThanOrEqualTo(OPEN);
            }
            Arrays.sort(nanos);
            System.out.printf(
                    "board of %d open jobs: first %d ms, then median %d ms, p95 %d ms%n",
                    OPEN, cold / 1_000_000, nanos[ROUNDS / 2] / 1_000_000, nanos[ROUNDS * 95 / 100] / 1_000_000);
        } finally {
            empty(jdbc);
        }
    }

    /** Copies of one planned job, with its scan, plan and hold points. */
    private static void fill(JdbcClient jdbc, long source) {
        jdbc.sql("insert into job (number, vehicle_id, kind, complaint, replaced_module, part_origin, created_at,"
                        + " created_by) select 900000 + n, vehicle_id, kind, 'full board', replaced_module, part_origin,"
                        + " created_at, created_by from job, generate_series(1, " + OPEN + ") n where id = ?")
                .param(source)
                .update();
        copy(jdbc, "scan", "taken_at, taken_by, readings", source);
        copy(jdbc, "hold_point", "point, state, who, at, why", source);
        copy(jdbc, "job_note", "kind, subject, version, content, at, who", source);
        jdbc.sql(
                        "insert into baseline (job_id, vehicle_id, taken_at, taken_by, sha256, content, origin, purpose, scope)"
                                + " select j.id, b.vehicle_id, b.taken_at, b.taken_by, b.sha256, b.content, b.origin, b.purpose,"
                                + " b.scope from baseline b, job j where b.job_id = ? and j.complaint = 'full board'")
                .param(source)
                .update();
        jdbc.sql("insert into plan (job_id, version, scan_id, made_at, made_by, content) select j.id, p.version, s.id,"
                        + " p.made_at, p.made_by, p.content from plan p, job j join scan s on s.job_id = j.id"
                        + " where p.job_id = ? and j.complaint = 'full board'")
                .param(source)
                .update();
    }

    private static void copy(JdbcClient jdbc, String table, String columns, long source) {
        jdbc.sql("insert into " + table + " (job_id, " + columns + ") select j.id, "
                        + Arrays.stream(columns.split(", "))
                                .map(c -> "t." + c)
                                .reduce((a, b) -> a + ", " + b)
                                .orElseThrow()
                        + " from " + table + " t, job j where t.job_id = ? and j.complaint = 'full board'")
                .param(source)
                .update();
    }

    private static void touch(JdbcClient jdbc) {
        jdbc.sql("update job set version = version + 1 where id in (select id from job where complaint ="
                        + " 'full board' order by random() limit 1)")
                .update();
    }

    private static void empty(JdbcClient jdbc) {
        for (String table : new String[] {"hold_point", "job_note", "plan", "scan", "baseline"})
            jdbc.sql("delete from " + table + " where job_id in (select id from job where complaint = 'full board')")
                    .update();
        jdbc.sql("delete from job where complaint = 'full board'").update();
    }

    @Test
    void today_passRunsOut_cardsAreMadeAnew(RunningApp.App app) throws Exception {
        long number = take(app, "pass of the workshop");
        String before = cardOf(board(app), number);
        app.bean(Passes.class).note("brennick", java.time.Instant.now().plusSeconds(3600), "lead");
        assertThat(cardOf(board(app), number)).isEqualTo(before); // made anew, and it says the same
    }

    @Test
    void today_somethingIsKept_showsTheNextActAtOnce(RunningApp.App app) throws Exception {
        long number = take(app, "The board must not lag behind.");
        assertThat(board(app)).contains("job " + number);
        String first = cardOf(board(app), number);
        app.bean(codrane.app.stage.intake.IntakeActs.class)
                .oldModule(number, codrane.core.job.IntakeNotes.OldModule.OUT, "tech");
        assertThat(cardOf(board(app), number)).isNotEqualTo(first).contains("Does the customer agree?");
        assertThat(app.bean(JobDesk.class).state(number).intake().oldModule()).isPresent();
    }

    private static String cardOf(String page, long number) {
        int at = page.indexOf("job " + number);
        return page.substring(at, page.indexOf("</a>", at));
    }
}
