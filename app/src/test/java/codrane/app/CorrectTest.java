package codrane.app;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.app.RunningApp.App;
import codrane.app.job.Acted;
import codrane.app.newjob.JobIntake;
import codrane.app.newjob.NewJobForm;
import codrane.app.stage.intake.CorrectActs;
import codrane.app.stage.record.RecordActs;
import codrane.core.job.WantedForm;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.JobKind;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** A job that was taken in wrongly is corrected, or cancelled with a reason; what was written can't be cancelled away. */
@ExtendWith(RunningApp.class)
class CorrectTest {
    private static final String WORDS = "The lift stays down";

    private final App app;

    CorrectTest(App app) {
        this.app = app;
    }

    private Acted correct(long number, String complaint, JobKind kind, String module, String origin) {
        return app.bean(CorrectActs.class)
                .correct(number, new WantedForm(complaint, kind.name(), module, origin), "desk");
    }

    private static String sentence(Acted acted) {
        return ((Acted.Refused) acted).sentence();
    }

    @Test
    void correct_otherWork_asksTheCustomerAgain() {
        JobSteps job = new JobSteps(app, "tail-lift");
        app.bean(codrane.app.stage.intake.IntakeActs.class)
                .oldModule(job.number, codrane.core.job.IntakeNotes.OldModule.OUT, "tech");
        TestActs.of(app).keep(job.number, HoldPoint.CONSENT, "tech", "");
        assertThat(job.facts().personHold(HoldPoint.CONSENT)).isPresent();
        assertThat(correct(job.number, WORDS, JobKind.REPLACE_BY_NEW, "doors", "NEW"))
                .isInstanceOf(Acted.Done.class);
        assertThat(job.facts().job().kind()).isEqualTo(JobKind.REPLACE_BY_NEW);
        assertThat(job.facts().job().replacedModule()).contains("doors");
        assertThat(job.facts().job().complaint()).isEqualTo(WORDS);
        assertThat(job.facts().personHold(HoldPoint.CONSENT)).isEmpty();
        assertThat(job.facts().intake().oldModule()).isEmpty(); // it was another one
    }

    /** People see what is wanted, not kinds; another part may be work of another kind. */
    @Test
    void correct_anotherPart_isOfTheKindThatFollowsFromIt() throws Exception {
        JobSteps job = new JobSteps(app, "tail-lift");
        String page = WebSession.signIn(app.url(), "desk").get("/jobs/" + job.number + "/intake");
        assertThat(page)
                .contains("A part was replaced, or is going to be", "Faults are stored: judge them, and clear them")
                .doesNotContain(JobKind.REPLACE_SENSOR.title(), JobKind.REPLACE_LICENSED.title());
        assertThat(correct(job.number, WORDS, JobKind.REPLACE_MODULE, "gearbox", "SECOND_HAND"))
                .isInstanceOf(Acted.Done.class);
        assertThat(job.facts().job().kind()).isEqualTo(JobKind.REPLACE_IMMOBILISER);
    }

    @Test
    void correct_whatCannotBe_isRefusedAndChangesNothing() {
        JobSteps job = new JobSteps(app, "tail-lift");
        var before = job.facts().job();
        assertThat(sentence(correct(job.number, " ", JobKind.REPLACE_MODULE, "tail-lift", "NEW")))
                .contains("what the customer complains about");
        assertThat(sentence(correct(job.number, WORDS, JobKind.REPLACE_MODULE, "warp-drive", "NEW")))
                .contains("Choose the module");
        assertThat(sentence(correct(job.number, WORDS, JobKind.READY_TOOL, "", "")))
                .contains("under Tools");
        assertThat(job.facts().job()).isEqualTo(before);
    }

    @Test
    void correct_afterThePlan_onlyTheWords() throws Exception {
        JobSteps job = new JobSteps(app, "tail-lift").toPlan();
        assertThat(sentence(correct(job.number, WORDS, JobKind.BASELINE_ONLY, "", "")))
                .contains("cancel this job with a reason");
        assertThat(correct(job.number, WORDS, JobKind.REPLACE_MODULE, "tail-lift", "SECOND_HAND"))
                .isInstanceOf(Acted.Done.class);
        assertThat(job.facts().job().complaint()).isEqualTo(WORDS);
    }

    @Test
    void cancel_withAReason_leavesTheBoardAndSaysWhyUntilItIsReopened() throws Exception {
        long number = ((JobIntake.Taken.Job) app.bean(JobIntake.class)
                        .take(new NewJobForm("0BKLR3A46MN004127", "wrong van", "BASELINE_ONLY", "", ""), "desk"))
                .number();
        CorrectActs acts = app.bean(CorrectActs.class);
        assertThat(sentence(acts.cancel(number, "no", "desk"))).contains("why it is cancelled");
        assertThat(acts.cancel(number, "taken in for another van", "desk")).isInstanceOf(Acted.Done.class);
        WebSession web = WebSession.signIn(app.url(), "tech");
        assertThat(web.get("/jobs/" + number + "/record"))
                .contains("This job was cancelled", "Why: taken in for another van.");
        assertThat(web.get("/")).doesNotContain("/jobs/" + number + "/");
        assertThat(sentence(correct(number, WORDS, JobKind.BASELINE_ONLY, "", "")))
                .contains("This job is closed");
        assertThat(app.bean(RecordActs.class).reopen(number, "tech", "it was the right one"))
                .isInstanceOf(Acted.Done.class);
        assertThat(web.get("/jobs/" + number + "/record")).doesNotContain("cancelled");
    }
}
