package codrane.app;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.app.RunningApp.App;
import codrane.app.newjob.JobIntake;
import codrane.app.newjob.NewJobForm;
import codrane.app.stage.baseline.BaselineActs;
import codrane.core.plan.JobKind;
import codrane.standin.Conditions;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** Every page through axe, at the three sizes that must be usable: nothing serious, and no scrolling sideways. */
@ExtendWith(RunningApp.class)
class AccessibilityTest {
    private static final String SERIOUS =
            "axe.run().then(r => r.violations.filter(v => v.impact === 'serious' || v.impact === 'critical')"
                    + ".map(v => v.id + ': ' + v.nodes.map(n => n.html).slice(0, 2).join(' | ')))";

    private static String axe() throws IOException {
        try (InputStream in = AccessibilityTest.class.getResourceAsStream("/vendor/axe-core/axe.min.js")) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        }
    }

    /** A job with everything that reading alone can fill. */
    private static long job(App app) throws InterruptedException {
        JobIntake.Taken taken = app.bean(JobIntake.class)
                .take(new NewJobForm("0BKLR3A46MN004127", "looked at", "REPLACE_MODULE", "tail-lift", "NEW"), "lead");
        long number = ((JobIntake.Taken.Job) taken).number();
        JobSteps steps = new JobSteps(app, number).toScanned();
        app.bean(BaselineActs.class).store(number, "", "lead");
        steps.awaitTask();
        TestActs.of(app).plan(number, "lead");
        return number;
    }

    @Test
    void pages_allSizes_haveNothingSeriousAndDoNotScrollSideways(App app) throws Exception {
        long number = job(app);
        List<String> paths = new ArrayList<>(List.of(
                "/",
                "/jobs/new",
                "/vehicles",
                "/vehicles/0BKLR3A46MN004127",
                "/shelf",
                "/parts",
                "/access",
                "/tools",
                "/people",
                "/account",
                "/next-room",
                "/find?q=zzz",
                "/jobs/999999/now"));
        for (String stage : List.of(
                "intake",
                "bench",
                "identify",
                "unlock",
                "baseline",
                "decide",
                "prepare",
                "run",
                "settle",
                "prove",
                "record",
                "coding",
                "coding?find=lamp",
                "coding?setting=body-cabin/step.lamp.left.doors",
                "seat",
                "guide",
                "old-part")) {
            paths.add("/jobs/" + number + "/" + stage);
        }
        var baseline =
                app.bean(codrane.app.job.JobDesk.class).state(number).baseline().orElseThrow();
        paths.add("/baselines/" + baseline.id());
        paths.add("/baselines/" + baseline.id() + "/with/" + baseline.id() + "?view=live");
        JobIntake.Taken locked = app.bean(JobIntake.class)
                .take(new NewJobForm("0TVWP2E67TN002240", "looked at", "FIND_LOST_SETTING", "", ""), "lead");
        paths.add("/jobs/" + ((JobIntake.Taken.Job) locked).number() + "/unlock");
        JobIntake.Taken sound = app.bean(JobIntake.class)
                .take(new NewJobForm("0TVCH5E12SN000318", "looked at", "CHOOSE_VARIANT", "", ""), "lead");
        paths.add("/jobs/" + ((JobIntake.Taken.Job) sound).number() + "/sound");
        AtDecide decide = new AtDecide(app, app.world());
        for (JobKind kind : List.of(JobKind.ENABLE_EQUIPMENT, JobKind.RETROFIT))
            paths.add("/jobs/" + decide.job(Conditions.LORNE, kind, "", "") + "/decide");
        String axe = axe();
        List<String> troubles = new ArrayList<>();
        try (Browsing browser = new Browsing(app.url(), "lead")) {
            for (String path : paths) {
                browser.open(path);
                browser.page.evaluate(axe);
                Object found = browser.page.evaluate(SERIOUS);
                for (Object violation : (List<?>) found) troubles.add(path + ": " + violation);
                for (int[] size : new int[][] {{1280, 800}, {820, 1180}, {390, 844}}) {
                    browser.page.setViewportSize(size[0], size[1]);
                    Object wide = browser.page.evaluate("document.documentElement.scrollWidth > innerWidth");
                    if (Boolean.TRUE.equals(wide)) troubles.add(path + " scrolls sideways at " + size[0]);
                }
                browser.page.setViewportSize(1280, 800);
            }
        }
        assertThat(troubles).isEmpty();
    }
}
