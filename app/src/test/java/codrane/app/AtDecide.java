package codrane.app;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.app.RunningApp.App;
import codrane.app.job.Acted;
import codrane.app.job.JobDesk;
import codrane.app.newjob.JobIntake;
import codrane.app.newjob.NewJobForm;
import codrane.app.stage.baseline.BaselineActs;
import codrane.app.stage.bench.BenchActs;
import codrane.app.stage.intake.IntakeActs;
import codrane.app.stage.intake.IntakeForm;
import codrane.core.job.IntakeNotes;
import codrane.core.job.JobState;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.JobKind;
import codrane.core.vin.Vin;
import codrane.standin.Conditions;
import codrane.standin.StandinWorld;

/** A job that was scanned and has its baseline, on a vehicle of a simulated workshop. */
record AtDecide(App app, StandinWorld world) {
    long job(Vin vin, JobKind kind, String module, String origin) throws Exception {
        if (!vin.equals(Conditions.CHORUS)) TestWorld.plug(world, vin); // which is on the edge node
        long number = ((JobIntake.Taken.Job) app.bean(JobIntake.class)
                        .take(new NewJobForm(vin.text(), "planned in a test", kind.name(), module, origin), "desk"))
                .number();
        JobState facts = app.bean(JobDesk.class).state(number);
        IntakeActs intake = app.bean(IntakeActs.class);
        if (kind.replaces()) done(intake.oldModule(number, IntakeNotes.OldModule.OUT, "desk"));
        IntakeForm form = new IntakeForm(
                null, null, null, null, null, null, "0", "0", "papers and the owner", null, null, null, null);
        done(intake.note(number, form, "desk"));
        if (!facts.variants().isEmpty())
            done(app.bean(IntakeActs.class).variant(number, facts.variants().getFirst(), "tech"));
        JobSteps steps = new JobSteps(app, number);
        done(TestActs.of(app).keep(number, HoldPoint.CONSENT, "tech", ""));
        done(app.bean(BenchActs.class).ask(number, "tech"));
        steps.scan();
        TestActs.of(app).waive(number, HoldPoint.IDENTITY_SETTLED, "tech", "as tested");
        done(app.bean(BaselineActs.class).store(number, "", "tech"));
        steps.awaitTask();
        return number;
    }

    private static void done(Acted acted) {
        assertThat(acted).isInstanceOf(Acted.Done.class);
    }
}
