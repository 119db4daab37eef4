package codrane.app.stage.intake;

import codrane.app.codes.CodeVault;
import codrane.app.job.Acted;
import codrane.app.job.Acts;
import codrane.app.job.Holds;
import codrane.app.job.JobStore;
import codrane.app.job.Reason;
import codrane.app.notes.Notes;
import codrane.app.records.AuditTrail;
import codrane.core.job.IntakeNotes;
import codrane.core.job.Job;
import codrane.core.job.JobState;
import codrane.core.job.WantedForm;
import codrane.core.job.stage.IntakeStage;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.WorkAsked;
import java.time.InstantSource;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** A job that was taken in wrongly: it is corrected, or cancelled with a reason. */
@Component
public class CorrectActs {
    private final Acts acts;
    private final JobStore jobs;
    private final Holds holds;
    private final Notes notes;
    private final CodeVault codes;
    private final AuditTrail audit;
    private final InstantSource time;

    CorrectActs(
            Acts acts, JobStore jobs, Holds holds, Notes notes, CodeVault codes, AuditTrail audit, InstantSource time) {
        this.acts = acts;
        this.jobs = jobs;
        this.holds = holds;
        this.notes = notes;
        this.codes = codes;
        this.audit = audit;
        this.time = time;
    }

    /** What the customer agreed to is asked again when it is other work now. */
    public Acted correct(long number, WantedForm form, String who) {
        return acts.on(number, who, IntakeStage.CORRECT, state -> {
            if (form.complaint().isBlank()) return Acted.refused("Say what the customer complains about.");
            return switch (anew(state.job(), form).read(state.pack())) {
                case WantedForm.Read.Wrong(String field, String sentence) -> Acted.refused(sentence);
                case WantedForm.Read.Good(Job.Wanted wanted) ->
                    IntakeStage.otherWork(state, wanted).map(Acted::refused).orElseGet(() -> keep(state, wanted, who));
            };
        });
    }

    /** The kind of a replaced part follows from the part: of another one it is asked again. */
    private static WantedForm anew(Job job, WantedForm form) {
        boolean part = WorkAsked.of(job.kind()).equals(Optional.of(WorkAsked.PART))
                && form.kind().equals(job.kind().name());
        boolean same = form.module().equals(job.replacedModule().orElse(""))
                && form.origin().equals(job.origin().map(Enum::name).orElse(""));
        return part && !same
                ? new WantedForm(form.complaint(), WorkAsked.PART_OF_ANY_KIND, form.module(), form.origin())
                : form;
    }

    private Acted keep(JobState state, Job.Wanted wanted, String who) {
        Job.Wanted was = state.job().wanted();
        if (wanted.equals(was)) return Acted.refused("That is what the job says already.");
        boolean same = wanted.kind() == was.kind() && wanted.module().equals(was.module());
        if (!same) {
            holds.open(state.job(), List.of(HoldPoint.CONSENT));
            IntakeNotes elsewhere = new IntakeNotes(
                    Optional.empty(), state.intake().variant(), state.intake().details());
            notes.put(state.job().id(), IntakeStored.KIND, IntakeStored.of(elsewhere), who);
        }
        jobs.correct(state.job(), wanted);
        audit.record(who, "corrected", "job " + state.job().number(), said(was) + " → " + said(wanted));
        return Acted.done();
    }

    private static String said(Job.Wanted wanted) {
        return wanted.kind().title()
                + wanted.module().map(m -> ", " + m).orElse("")
                + wanted.origin().map(o -> ", " + o.words()).orElse("") + ": " + wanted.complaint();
    }

    public Acted cancel(long number, String why, String who) {
        return acts.on(
                number,
                who,
                IntakeStage.CANCEL,
                state -> Reason.wrong(why, "it is cancelled")
                        .or(() -> acts.busy(number))
                        .orElseGet(() -> {
                            jobs.cancel(state.job(), why.strip(), time.instant());
                            codes.forgetAll(new CodeVault.Owner(state.job().id(), number));
                            audit.record(who, "cancelled", "job " + number, why.strip());
                            return Acted.done();
                        }));
    }
}
