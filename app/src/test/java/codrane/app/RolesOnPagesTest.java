package codrane.app;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.app.RunningApp.App;
import codrane.app.account.Role;
import codrane.app.account.Routes;
import codrane.app.newjob.JobIntake;
import codrane.app.newjob.NewJobForm;
import codrane.core.plan.Stage;
import codrane.standin.Conditions;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.http.HttpMethod;

/** No page shows anybody a press that would be answered with "this is not yours to do". */
@ExtendWith(RunningApp.class)
class RolesOnPagesTest {
    private static final Pattern FORM = Pattern.compile("<form\\b[^>]*>");
    private static final Pattern ACTION = Pattern.compile("\\baction=\"([^\"]+)\"");
    private static final Pattern LINK = Pattern.compile("<a\\b[^>]*href=\"(/[^\"#?]*)\"");

    private static List<String> pages(App app) throws InterruptedException {
        List<String> pages = new ArrayList<>(List.of(
                "/", "/vehicles", "/shelf", "/access", "/tools", "/policy", "/people", "/account", "/next-room"));
        List<Long> jobs = new ArrayList<>(List.of(new JobSteps(app, "tail-lift").toPlan().number));
        for (String kind : List.of("CLEAR_FAULTS", "FIND_LOST_SETTING", "CHANGE_SETTING")) {
            JobIntake.Taken taken = app.bean(JobIntake.class)
                    .take(new NewJobForm(Conditions.WISP.text(), "test", kind, "", ""), "lead");
            jobs.add(((JobIntake.Taken.Job) taken).number());
        }
        for (long job : jobs) for (Stage stage : Stage.values()) pages.add("/jobs/" + job + "/" + stage.key());
        pages.add("/vehicles/" + Conditions.LORNE.text());
        return pages;
    }

    @Test
    void everyPage_forEveryRole_showsOnlyWhatItMayPressAndOpen(App app) throws Exception {
        List<String> pages = pages(app);
        Set<String> wrong = new TreeSet<>();
        for (Role role : Role.values()) {
            WebSession session = WebSession.signIn(app.url(), role.name().toLowerCase(Locale.ROOT));
            for (String page : pages) {
                if (!Routes.allows(role, HttpMethod.GET, page)) continue;
                look(role, page, session.get(page), wrong);
            }
        }
        assertThat(wrong).isEmpty();
    }

    private static void look(Role role, String page, String html, Set<String> wrong) {
        int forms = 0;
        for (Matcher form = FORM.matcher(html); form.find(); forms++) {
            if (!form.group().contains("method=\"post\"")) continue;
            Matcher action = ACTION.matcher(form.group());
            assertThat(action.find()).as(page + " " + form.group()).isTrue();
            String path = action.group(1);
            if (!path.equals("/logout") && !Routes.allows(role, HttpMethod.POST, path))
                wrong.add(role + " on " + page.replaceAll("\\d{4}", "N") + ": press " + path.replaceAll("\\d{4}", "N"));
        }
        assertThat(forms).as(page).isPositive();
        for (Matcher link = LINK.matcher(html); link.find(); )
            if (!link.group(1).matches("/(css|js|webjars|vendor|fonts|favicon).*")
                    && !Routes.allows(role, HttpMethod.GET, link.group(1)))
                wrong.add(role + " on " + page.replaceAll("\\d{4}", "N") + ": open " + link.group(1));
    }
}
