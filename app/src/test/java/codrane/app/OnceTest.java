package codrane.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.security.test.web.servlet.setup.SecurityMockMvcConfigurers.springSecurity;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import codrane.app.RunningApp.App;
import codrane.app.account.Routes;
import codrane.app.job.Acted;
import codrane.app.live.RunStore;
import codrane.app.stage.run.RunActs;
import codrane.core.job.JobRun;
import codrane.core.job.JobState;
import codrane.core.job.hold.HoldRules;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.Operation;
import codrane.standin.StandinWorld;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.junit.jupiter.api.Test;
import org.springframework.http.HttpMethod;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.AbstractMockHttpServletRequestBuilder;
import org.springframework.test.web.servlet.setup.MockMvcBuilders;
import org.springframework.web.context.WebApplicationContext;
import tools.jackson.databind.JsonNode;

/** One job through its run, then everything again: released again, closed, reopened, and two jobs at once. */
class OnceTest {
    private static final String WHO = "tech";

    private static List<String> all(JobSteps job) {
        return job.facts()
                .plan()
                .orElseThrow()
                .plan()
                .writes()
                .map(Operation::key)
                .toList();
    }

    private static String sentence(Acted acted) {
        return ((Acted.Refused) acted).sentence();
    }

    private static JobRun awaitEnd(JobSteps job) throws InterruptedException {
        Until.so(() -> !job.facts().run().orElseThrow().running());
        return job.facts().run().orElseThrow();
    }

    @Test
    void job_ranThenAgainThenClosedThenReopened_writesOnceAndStaysAsItIs() throws Exception {
        try (StandinWorld world = TestWorld.standins(false, 30)) {
            App app = RunningApp.launch(world);
            JobSteps job = new JobSteps(app, "tail-lift").toRun("LFT-312-B");
            JobSteps other = new JobSteps(app, "tail-lift").toRun("LFT-312-B");
            twoAtOnce(app, job, other);
            finishedPlanRunsNoMore(app, world, job);
            closedTakesNothing(app, job);
            reopened(app, job);
            app.context().close();
        }
    }

    /** Two jobs released on one interface at the same moment: one runs to its end, the other is told why not. */
    private static void twoAtOnce(App app, JobSteps job, JobSteps other) throws Exception {
        List<String> keys = all(job);
        List<Acted> acted = atOnce(List.of(
                () -> app.bean(RunActs.class).run(job.number, keys, WHO),
                () -> app.bean(RunActs.class).run(other.number, keys, "lead")));
        assertThat(acted.stream().filter(Acted.Done.class::isInstance)).hasSize(1);
        assertThat(sentence(acted.stream()
                        .filter(Acted.Refused.class::isInstance)
                        .findFirst()
                        .orElseThrow()))
                .containsAnyOf("is being used by the run of job", "is in use");
        JobSteps first = acted.getFirst() instanceof Acted.Done ? job : other;
        JobSteps second = first == job ? other : job;
        assertThat(awaitEnd(first)).as("the first").matches(JobRun::finished);
        assertThat(second.facts().run()).isEmpty();
        assertThat(second.facts().ran().last()).isEmpty();
        if (first == other) { // what follows is about the one that ran
            job.run();
            assertThat(awaitEnd(job)).matches(JobRun::finished);
        }
    }

    private static List<Acted> atOnce(List<Callable<Acted>> acts) throws Exception {
        try (ExecutorService threads = Executors.newFixedThreadPool(acts.size())) {
            List<Acted> acted = new ArrayList<>();
            for (Future<Acted> future : threads.invokeAll(acts)) acted.add(future.get());
            return acted;
        }
    }

    private static void finishedPlanRunsNoMore(App app, StandinWorld world, JobSteps job) {
        JsonNode lift = TestWorld.look(world).path("modules").path("tail-lift");
        assertThat(lift.path("counter").asInt()).isGreaterThan(1);
        assertThat(sentence(app.bean(RunActs.class).run(job.number, all(job), "lead")))
                .contains("This plan was carried out by", "a plan is carried out once");
        assertThat(sentence(app.bean(RunActs.class).recover(job.number, "lead")))
                .contains("no interrupted run");
        assertThat(TestWorld.look(world).path("modules").path("tail-lift")).isEqualTo(lift);
        RunStore store = app.bean(RunStore.class);
        assertThat(store.journal(job.facts().run().orElseThrow().id(), 900))
                .filteredOn(row -> row.purpose().equals("Erase"))
                .hasSize(1);
        assertThat(store.journal(job.facts().run().orElseThrow().id(), 900))
                .noneMatch(row -> row.state() == RunStore.Answer.OPEN);
    }

    private static void closedTakesNothing(App app, JobSteps job) throws Exception {
        TestActs acts = TestActs.of(app);
        job.scan();
        if (!job.facts().leftToSettle().isEmpty()) acts.keep(job.number, HoldPoint.SETTLED, WHO, "");
        acts.waive(job.number, HoldPoint.FUNCTION_TESTED, WHO, "nobody is there to try it");
        assertThat(acts.close(job.number, WHO)).isInstanceOf(Acted.Done.class);
        long version = job.facts().job().version();
        MockMvc mvc = MockMvcBuilders.webAppContextSetup((WebApplicationContext) app.context())
                .apply(springSecurity())
                .build();
        for (Routes.Route route : Routes.TABLE) {
            if (!route.method().equals(HttpMethod.POST) || !route.pattern().startsWith("/jobs/*/")) continue;
            if (route.pattern().equals("/jobs/*/reopen")) continue;
            if (route.pattern().equals("/jobs/*/line-sheet-judged")) continue; // it keeps nothing
            String refused = String.valueOf(mvc.perform(
                            to(route, job.number).with(csrf()).with(user("lead").roles("LEAD")))
                    .andReturn()
                    .getFlashMap()
                    .get("refused"));
            assertThat(refused).as(route.pattern()).contains("This job is closed");
        }
        JobState facts = job.facts();
        assertThat(facts.job().version()).isEqualTo(version);
        assertThat(facts.job().closedAt()).isPresent();
    }

    private static AbstractMockHttpServletRequestBuilder<?> to(Routes.Route route, long number) {
        String path = route.pattern()
                .replace("/jobs/*/", "/jobs/" + number + "/")
                .replace("/hold/*", "/hold/plan-agreed")
                .replace("/waive/*", "/waive/consent")
                .replace("/decide/*", "/decide/wording")
                .replace("/prove/*", "/prove/tried")
                .replace("/overrule/*", "/overrule/neighbours")
                .replace("/old-module/*", "/old-module/out")
                .replace("/sound/*", "/sound/listen")
                .replace("/learned/*", "/learned/tail-lift")
                .replace("/letters/draft/*", "/letters/draft/tail-lift")
                .replace("/letters/sent/*", "/letters/sent/tail-lift")
                .replace("/letters/look/*", "/letters/look/tail-lift");
        boolean file = path.endsWith("/photos")
                || path.endsWith("/calibration-upload")
                || path.endsWith("/sound")
                || path.endsWith("/old-module-data");
        AbstractMockHttpServletRequestBuilder<?> request = file
                ? multipart(path)
                        .file(new MockMultipartFile(
                                path.endsWith("/photos") ? "photo" : "file", "x", "image/png", new byte[] {1}))
                : post(path);
        return request.param("why", "because of the test")
                .param("spot", "next")
                .param("name", "plain")
                .param("agreed", "38")
                .param("codes", "TAX1")
                .param("text", "configure it")
                .param("id", "LFT-312-B")
                .param("address", "67")
                .param("module", "tail-lift")
                .param("code", "U1301-00")
                .param("note", "a reason")
                .param("variant", "x")
                .param("need", "pass:brennick")
                .param("said", "here")
                .param("technician", "tech")
                .param("setting", "tail-lift-main/bit-0.0")
                .param("value", "1")
                .param("answer", "level-set");
    }

    private static void reopened(App app, JobSteps job) throws Exception {
        TestActs acts = TestActs.of(app);
        assertThat(sentence(acts.reopen(job.number, "lead", "x"))).contains("why it is reopened");
        assertThat(job.facts().job().closedAt()).isPresent();
        assertThat(acts.reopen(job.number, "lead", "the customer came back")).isInstanceOf(Acted.Done.class);
        JobState facts = job.facts();
        assertThat(facts.job().closedAt()).isEmpty();
        assertThat(HoldRules.progress(facts).passed(HoldPoint.LINK_PROVEN)).isFalse();
        assertThat(sentence(acts.plan(job.number, WHO))).contains("Bench comes before");
        assertThat(app.bean(JdbcClient.class)
                        .sql("select detail from audit where act = 'reopened' and subject = ?")
                        .param("job " + job.number)
                        .query(String.class)
                        .single())
                .isEqualTo("the customer came back");
        assertThat(sentence(acts.reopen(job.number, "lead", "once more"))).contains("not closed");
    }
}
