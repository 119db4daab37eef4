package codrane.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;

import codrane.app.RunningApp.App;
import codrane.app.job.Acted;
import codrane.app.job.JobDesk;
import codrane.app.live.JobTasks;
import codrane.app.newjob.JobIntake;
import codrane.app.newjob.NewJobForm;
import codrane.app.stage.bench.BenchActs;
import codrane.app.stage.identify.ScanActs;
import codrane.app.stage.intake.IntakeActs;
import codrane.app.stage.prepare.PrepareActs;
import codrane.app.stage.prepare.SheetActs;
import codrane.app.stage.run.RunActs;
import codrane.core.job.IntakeNotes;
import codrane.core.job.JobState;
import codrane.core.job.hold.HoldRules;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.Operation;
import codrane.core.plan.Stage;
import java.time.Duration;
import java.util.List;
import java.util.function.Supplier;

/** Brings a job forward by its acts, for tests that begin in the middle. */
final class JobSteps {
    private static final String WHO = "tech";

    private final App app;
    private final TestActs acts;
    final long number;

    JobSteps(App app, String module) {
        this.app = app;
        acts = TestActs.of(app);
        JobIntake.Taken taken = app.bean(JobIntake.class)
                .take(new NewJobForm("0BKLR3A46MN004127", "test", "REPLACE_MODULE", module, "SECOND_HAND"), WHO);
        number = ((JobIntake.Taken.Job) taken).number();
    }

    /** A job that is there already. */
    JobSteps(App app, long number) {
        this.app = app;
        this.number = number;
        acts = TestActs.of(app);
    }

    JobState facts() {
        return app.bean(JobDesk.class).state(number);
    }

    /** Of what the plan writes. */
    List<String> reasons() {
        return facts().plan()
                .orElseThrow()
                .plan()
                .writes()
                .flatMap(o -> o.reasons().stream())
                .toList();
    }

    JobSteps toScanned() throws InterruptedException {
        done(app.bean(IntakeActs.class).oldModule(number, IntakeNotes.OldModule.OUT, WHO));
        done(acts.keep(number, HoldPoint.CONSENT, WHO, ""));
        done(app.bean(BenchActs.class).ask(number, WHO));
        scan();
        acts.waive(number, HoldPoint.IDENTITY_SETTLED, WHO, "as tested");
        return this;
    }

    JobSteps toPlan() throws InterruptedException {
        toScanned();
        done(app.bean(codrane.app.stage.baseline.BaselineActs.class).store(number, "", WHO));
        awaitTask();
        done(acts.plan(number, WHO));
        return this;
    }

    JobSteps toRun(String manifest) throws InterruptedException {
        toPlan();
        done(acts.keep(number, HoldPoint.PLAN_AGREED, WHO, ""));
        done(app.bean(PrepareActs.class).fetch(number, manifest, "", WHO));
        awaitTask();
        done(app.bean(SheetActs.class).fetch(number, WHO));
        Until.so(() -> HoldRules.progress(facts()).openBefore(Stage.RUN).isEmpty());
        assertThat(HoldRules.progress(facts()).openBefore(Stage.RUN)).isEmpty();
        return this;
    }

    void run() throws InterruptedException {
        List<String> all =
                facts().plan().orElseThrow().plan().writes().map(Operation::key).toList();
        done(onceMeasured(() -> app.bean(RunActs.class).run(number, all, WHO)));
    }

    void recover() throws InterruptedException {
        done(onceMeasured(() -> app.bean(RunActs.class).recover(number, WHO)));
    }

    /** A gap in the readings of the supply, as a busy machine leaves one, has it measured for ten seconds again. */
    private static Acted onceMeasured(Supplier<Acted> act) throws InterruptedException {
        return await("the supply is measured")
                .atMost(Duration.ofSeconds(60))
                .pollDelay(Duration.ZERO)
                .pollInterval(Duration.ofMillis(500))
                .until(act::get, acted -> !acted.toString().contains("Measuring"));
    }

    void scan() throws InterruptedException {
        done(app.bean(ScanActs.class).scan(number, WHO));
        awaitTask();
    }

    void awaitTask() throws InterruptedException {
        JobTasks tasks = app.bean(JobTasks.class);
        Until.so(() -> tasks.of(number).map(JobTasks.Progress::ended).orElse(false));
        assertThat(tasks.of(number).orElseThrow().error()).isEmpty();
        tasks.seen(number);
    }

    private static void done(Acted acted) {
        assertThat(acted).as(acted.toString()).isInstanceOf(Acted.Done.class);
    }
}
