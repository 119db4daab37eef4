package codrane.app;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.app.RunningApp.App;
import codrane.app.job.JobDesk;
import codrane.app.live.JobTasks;
import codrane.core.plan.HoldPoint;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.jdbc.core.simple.JdbcClient;

/** What is pressed twenty times takes effect once; the later of two people reads who was first. */
@ExtendWith(RunningApp.class)
class PressedTest {
    private static final int PRESSES = 20;
    private static final Pattern ONCE = Pattern.compile("name=\"once\" value=\"([^\"]+)\"");
    private static final Pattern SEEN = Pattern.compile("name=\"seen\" value=\"(\\d+)\"");
    private final App app;

    PressedTest(App app) {
        this.app = app;
    }

    private long rows(String table, long number) {
        return app.bean(JdbcClient.class)
                .sql("select count(*) from " + table + " t join job j on j.id = t.job_id where j.number = ?")
                .param(number)
                .query(Long.class)
                .single();
    }

    private static List<String> press(int times, Callable<String> press) throws Exception {
        try (ExecutorService threads = Executors.newFixedThreadPool(times)) {
            List<Callable<String>> presses = new ArrayList<>();
            for (int i = 0; i < times; i++) presses.add(press);
            List<String> led = new ArrayList<>();
            for (Future<String> future : threads.invokeAll(presses)) led.add(future.get());
            return led;
        }
    }

    private static String found(Pattern pattern, String page) {
        Matcher matcher = pattern.matcher(page);
        assertThat(matcher.find()).isTrue();
        return matcher.group(1);
    }

    private void awaitTask(long number) throws InterruptedException {
        JobTasks tasks = app.bean(JobTasks.class);
        Until.so(() -> !tasks.busy(number).isPresent());
        tasks.seen(number);
    }

    /** With the form's key, and without one, as an old page or a program sends it. */
    @Test
    void newJob_pressedTwentyTimes_isOneJob() throws Exception {
        WebSession session = WebSession.signIn(app.url(), "tech");
        for (String once : new String[] {found(ONCE, session.get("/jobs/new")), ""}) {
            long before = count("job");
            List<String> led = press(
                    PRESSES,
                    () -> session.post(
                            "/jobs",
                            "once",
                            once,
                            "vin",
                            "0BKLR3A46MN004127",
                            "complaint",
                            "pressed often " + once,
                            "kind",
                            "BASELINE_ONLY",
                            "replaced",
                            "",
                            "origin",
                            ""));
            assertThat(led.stream().distinct()).hasSize(1);
            assertThat(count("job")).isEqualTo(before + 1);
        }
    }

    private long count(String table) {
        return app.bean(JdbcClient.class)
                .sql("select count(*) from " + table)
                .query(Long.class)
                .single();
    }

    @Test
    void scanAndPlan_pressedTwentyTimes_areOneScanAndOnePlan() throws Exception {
        JobSteps job = new JobSteps(app, "tail-lift").toPlan();
        WebSession session = WebSession.signIn(app.url(), "tech");
        String path = "/jobs/" + job.number;
        long scans = rows("scan", job.number);
        press(PRESSES, () -> session.post(path + "/scan"));
        awaitTask(job.number);
        assertThat(rows("scan", job.number)).isEqualTo(scans + 1);
        TestActs.of(app).keep(job.number, HoldPoint.IDENTITY_SETTLED, "tech", "");
        long plans = rows("plan", job.number);
        press(PRESSES, () -> session.post(path + "/plan"));
        assertThat(rows("plan", job.number)).isEqualTo(plans + 1);
        assertThat(session.get(path + "/decide")).contains("Pressed twice: it was done once");
    }

    /** Two people note the arrival at once, each from the same page: one is kept, the other reads who was first. */
    @Test
    void notes_ofTwoPeopleAtOnce_areKeptOrRefusedAndNeverLost() throws Exception {
        JobSteps job = new JobSteps(app, "tail-lift");
        WebSession tech = WebSession.signIn(app.url(), "tech");
        WebSession desk = WebSession.signIn(app.url(), "desk");
        String path = "/jobs/" + job.number;
        for (int round = 0; round < 8; round++) {
            String seen = found(SEEN, tech.get(path + "/intake"));
            String lights = "lamp " + round;
            String earlier = "handset " + round;
            try (ExecutorService threads = Executors.newFixedThreadPool(2)) {
                List<Callable<String>> both = List.of(
                        () -> tech.post(path + "/notes", "seen", seen, "lights", lights),
                        () -> desk.post(path + "/notes", "seen", seen, "earlier", earlier));
                for (Future<String> future : threads.invokeAll(both)) future.get();
            }
            var details = app.bean(JobDesk.class).state(job.number).intake().details();
            boolean mine = details.lights().equals(lights);
            boolean theirs = details.earlier().equals(earlier);
            assertThat(mine ^ theirs).as("one of the two").isTrue();
            String toldTech = tech.get(path + "/intake");
            String toldDesk = desk.get(path + "/intake");
            assertThat(mine ? toldDesk : toldTech).contains((mine ? "tech" : "desk") + " was first: noted the arrival");
            assertThat(mine ? toldTech : toldDesk).contains("Noted.");
        }
    }

    /** Without the version of a page each act changes only what it says. */
    @Test
    void notes_ofFieldsApart_leaveEachOtherAlone() throws Exception {
        JobSteps job = new JobSteps(app, "tail-lift");
        WebSession session = WebSession.signIn(app.url(), "tech");
        session.post("/jobs/" + job.number + "/notes", "lights", "engine lamp");
        session.post("/jobs/" + job.number + "/notes", "earlier", "a handset");
        var details = app.bean(JobDesk.class).state(job.number).intake().details();
        assertThat(details.lights()).isEqualTo("engine lamp");
        assertThat(details.earlier()).isEqualTo("a handset");
    }
}
