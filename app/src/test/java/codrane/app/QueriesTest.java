package codrane.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;

import codrane.app.RunningApp.App;
import codrane.app.job.JobDesk;
import codrane.app.job.JobStore;
import codrane.app.newjob.JobIntake;
import codrane.app.newjob.NewJobForm;
import codrane.core.job.Job;
import codrane.core.job.JobState;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.Stage;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.security.test.web.servlet.setup.SecurityMockMvcConfigurers;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.setup.MockMvcBuilders;
import org.springframework.web.context.WebApplicationContext;

/** How often a page asks the database: a few times, however much there is. */
@ExtendWith(RunningApp.class)
class QueriesTest {
    private static final int MOST_FOR_TODAY = 6;
    private static final int MOST_FOR_A_STAGE = 15;

    private static List<String> asked(App app, String page) throws Exception {
        MockMvc mvc = MockMvcBuilders.webAppContextSetup((WebApplicationContext) app.context())
                .apply(SecurityMockMvcConfigurers.springSecurity())
                .build();
        mvc.perform(get(page).with(user("lead").roles("LEAD"))); // what never changes is read once
        return Statements.during(() -> mvc.perform(get(page).with(user("lead").roles("LEAD"))));
    }

    private static void takeIn(App app, int jobs) {
        for (int i = 0; i < jobs; i++)
            app.bean(JobIntake.class)
                    .take(new NewJobForm("0BKAM7D26RN001906", "one of many " + i, "CLEAR_FAULTS", "", ""), "desk");
    }

    @Test
    void today_howeverManyJobs_asksAsOften(App app) throws Exception {
        takeIn(app, 3);
        List<String> few = asked(app, "/");
        takeIn(app, 40);
        assertThat(asked(app, "/")).hasSameSizeAs(few).hasSizeLessThanOrEqualTo(MOST_FOR_TODAY);
    }

    @Test
    void states_ofManyJobs_askAsOftenAsOfOne(App app) throws Exception {
        takeIn(app, 20);
        List<Job> open = app.bean(JobStore.class).open();
        JobDesk desk = app.bean(JobDesk.class);
        desk.states(open);
        List<String> one = Statements.during(() -> desk.states(open.subList(0, 1)));
        assertThat(Statements.during(() -> desk.states(open))).hasSizeLessThanOrEqualTo(one.size());
    }

    /** Else a page shows what somebody kept, and tells them that they were first when they act on it. */
    @Test
    void state_whileAnActIsKept_isOfOneMoment(App app) throws Exception {
        long number = new JobSteps(app, "tail-lift").number;
        JobDesk desk = app.bean(JobDesk.class);
        long version = desk.state(number).job().version();
        List<JobState> seen = new ArrayList<>();
        Statements.afterTheFirst(
                () -> TestActs.of(app).keep(number, HoldPoint.CONSENT, "tech", ""), () -> seen.add(desk.state(number)));
        assertThat(desk.state(number).job().version()).isGreaterThan(version);
        assertThat(seen).singleElement().satisfies(state -> {
            assertThat(state.job().version()).isEqualTo(version);
            assertThat(state.personHold(HoldPoint.CONSENT)).isEmpty();
        });
    }

    @Test
    void stage_ofAJobWithAPlan_asksAFewTimes(App app) throws Exception {
        long number = new JobSteps(app, "tail-lift").toPlan().number;
        for (Stage stage : Stage.values())
            assertThat(asked(app, "/jobs/" + number + "/" + stage.key()))
                    .as(stage.title())
                    .hasSizeLessThanOrEqualTo(MOST_FOR_A_STAGE);
    }
}
