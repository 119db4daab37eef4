package codrane.app.stage.record;

import codrane.app.codes.CodeVault;
import codrane.app.job.Acted;
import codrane.app.job.Acts;
import codrane.app.job.JobStore;
import codrane.app.job.Reason;
import codrane.app.records.AuditTrail;
import codrane.app.stage.record.MenuForm.Read;
import codrane.app.tools.MenuMap;
import codrane.core.job.JobState;
import codrane.core.job.stage.RecordStage;
import codrane.core.plan.Operation;
import java.time.InstantSource;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** The end of a job: closing it, reopening it, and what is learned from it. */
@Component
public class RecordActs {
    private final Acts acts;
    private final JobStore jobs;
    private final MenuMap menus;
    private final CodeVault codes;
    private final AuditTrail audit;
    private final InstantSource time;

    RecordActs(Acts acts, JobStore jobs, MenuMap menus, CodeVault codes, AuditTrail audit, InstantSource time) {
        this.acts = acts;
        this.jobs = jobs;
        this.menus = menus;
        this.codes = codes;
        this.audit = audit;
        this.time = time;
    }

    public Acted close(long number, String who) {
        return acts.on(
                number,
                who,
                RecordStage.CLOSE,
                state -> acts.busy(number).orElseGet(() -> {
                    jobs.close(state.job(), time.instant());
                    codes.forgetAll(new CodeVault.Owner(state.job().id(), number));
                    audit.record(who, "closed", "job " + number, "");
                    return Acted.done();
                }));
    }

    /** Opens a closed job again. The link is proven anew: who knows what is on the cable by now. */
    public Acted reopen(long number, String who, String why) {
        return acts.onClosed(
                number,
                who,
                RecordStage.REOPEN,
                state -> Reason.wrong(why, "it is reopened").orElseGet(() -> {
                    jobs.reopen(state.job(), time.instant());
                    audit.record(who, "reopened", "job " + number, why.strip());
                    return Acted.done();
                }));
    }

    /** Notes what a tool calls an operation; the next job finds it once this one is closed. */
    public Acted menu(long number, MenuForm form, String who) {
        return acts.on(number, who, RecordStage.NOTE_MENU, state -> {
            Optional<Operation> planned = state.writes().stream()
                    .filter(o -> o.key().equals(form.operation()))
                    .findFirst();
            if (planned.isEmpty()) return Acted.refused("The plan has no such operation.");
            return switch (form.read()) {
                case Read.Wrong(String sentence) -> Acted.refused(sentence);
                case Read.Said said -> learn(state, planned.get(), said, who);
            };
        });
    }

    private Acted learn(JobState state, Operation operation, Read.Said said, String who) {
        MenuMap.Place place =
                new MenuMap.Place(state.pack().id(), operation.kind().key(), operation.module());
        menus.learn(place, said.words(), state.job().id(), who);
        return Acted.done();
    }
}
