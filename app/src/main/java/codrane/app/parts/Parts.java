package codrane.app.parts;

import codrane.app.job.Acted;
import codrane.app.job.JobDesk;
import codrane.app.job.JobStore;
import codrane.app.notes.Note;
import codrane.app.notes.Notes;
import codrane.app.records.AuditTrail;
import codrane.core.job.Job;
import codrane.core.job.JobState;
import codrane.core.job.OldPart;
import codrane.core.job.PartState;
import codrane.core.pack.PackModule;
import codrane.core.pack.PackModule.Ident;
import java.time.InstantSource;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** What becomes of modules that came out. It goes on after their job is closed. */
@Component
class Parts {
    private static final int LONGEST = 120;

    private final JobDesk desk;
    private final JobStore jobs;
    private final Notes notes;
    private final AuditTrail audit;
    private final InstantSource time;

    Parts(JobDesk desk, JobStore jobs, Notes notes, AuditTrail audit, InstantSource time) {
        this.desk = desk;
        this.jobs = jobs;
        this.notes = notes;
        this.audit = audit;
        this.time = time;
    }

    @Transactional(readOnly = true)
    public List<PartStored> all() {
        return notes.everywhere(PartStored.KIND, "").values().stream()
                .map(Note.Read::content)
                .toList();
    }

    /** @param detail where it lies, whom it was sent to; the number of the job into which it goes when it is fitted */
    @Transactional
    public Acted say(long number, PartState to, String detail, String who) {
        if (detail.length() > LONGEST) return Acted.refused("Say it in at most " + LONGEST + " characters.");
        if (jobs.lock(number).isEmpty()) return Acted.refused("There is no job " + number + ".");
        JobState state = desk.state(number);
        if (OldPart.of(state).isEmpty()) return Acted.refused("No module came out in job " + number + ".");
        PackModule module = state.replaced().orElseThrow();
        Optional<PartStored> was = stored(state.job().id());
        Optional<JobState> into = to == PartState.FITTED ? job(detail) : Optional.empty();
        if (to == PartState.FITTED) {
            Optional<String> wrong = notInto(state, module, into);
            if (wrong.isPresent()) return Acted.refused(wrong.get());
        }
        boolean same = into.map(i -> i.job().vin().equals(state.job().vin())).orElse(false);
        Optional<String> refusal = PartState.refusal(
                module.traits().vinLock(), was.map(p -> p.last().state()), to, same);
        if (refusal.isPresent()) return Acted.refused(refusal.get());
        String said = into.map(i -> "job " + i.job().number()).orElse(detail.strip());
        PartStored.Step step = new PartStored.Step(to, said, who, time.instant());
        notes.put(
                state.job().id(),
                PartStored.KIND,
                was.map(p -> p.with(step)).orElseGet(() -> fresh(state, module, step)),
                who);
        audit.record(who, "said of the old module: " + to.words(), "job " + number, said);
        return Acted.done();
    }

    private Optional<PartStored> stored(long jobId) {
        return notes.of(jobId, PartStored.KIND).stream().map(Note.Read::content).findFirst();
    }

    private Optional<JobState> job(String number) {
        return number.strip().matches("\\d{1,9}")
                ? jobs.find(Long.parseLong(number.strip())).map(Job::number).map(desk::state)
                : Optional.empty();
    }

    private static Optional<String> notInto(JobState state, PackModule module, Optional<JobState> into) {
        if (into.isEmpty()) return Optional.of("Say into which job it goes, by its number.");
        boolean kind = into.get().pack().id().equals(state.pack().id())
                && into.get().job().replacedModule().equals(Optional.of(module.id()));
        return kind
                ? Optional.empty()
                : Optional.of("Job " + into.get().job().number() + " is not about the " + module.lowerTitle() + " of a "
                        + state.pack().title() + ".");
    }

    private static PartStored fresh(JobState state, PackModule module, PartStored.Step step) {
        String serial = OldPart.of(state).orElseThrow().facts().getOrDefault(Ident.SERIAL.title(), "not read");
        return new PartStored(
                state.job().number(),
                state.pack().id(),
                module.id(),
                module.title() + " of a " + state.pack().title(),
                state.job().vin().text(),
                serial,
                List.of(step));
    }
}
