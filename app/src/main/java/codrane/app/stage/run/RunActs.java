package codrane.app.stage.run;

import codrane.app.access.GatewayDesk;
import codrane.app.access.RefusedStored;
import codrane.app.interfaces.BenchInterface;
import codrane.app.interfaces.Interfaces;
import codrane.app.job.Acted;
import codrane.app.job.Acts;
import codrane.app.job.Holds;
import codrane.app.live.RunService;
import codrane.app.notes.Notes;
import codrane.app.records.AuditTrail;
import codrane.core.gateway.OperationMatrix.Gateway;
import codrane.core.job.HoldNote;
import codrane.core.job.JobState;
import codrane.core.job.RunTasks;
import codrane.core.job.act.Ask;
import codrane.core.job.release.Release;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.Stage;
import codrane.core.text.Words;
import codrane.link.LinkLostException;
import java.time.InstantSource;
import java.util.Collection;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** Releasing a plan's writes, going on with a run that ended in the middle, and stopping one. A plan is carried out once. */
@Component
public class RunActs {
    private static final Ask STARTED = Ask.of("run", "started the run");

    private final Acts acts;
    private final RunOrders orders;
    private final RunService runs;
    private final StrangerCheck strangers;
    private final Interfaces interfaces;
    private final GatewayDesk gateways;
    private final Around around;

    /** What is noted and told. */
    @Component
    record Around(Holds holds, Notes notes, AuditTrail audit, InstantSource time, ReleasedBesides besides) {}

    RunActs(
            Acts acts,
            RunOrders orders,
            RunService runs,
            StrangerCheck strangers,
            Interfaces interfaces,
            GatewayDesk gateways,
            Around around) {
        this.acts = acts;
        this.orders = orders;
        this.runs = runs;
        this.strangers = strangers;
        this.interfaces = interfaces;
        this.gateways = gateways;
        this.around = around;
    }

    /**
     * Starts the run when every write that is left of the plan was chosen; nothing is chosen beforehand.
     *
     * @param released keys of the operations that a person ticked
     */
    public Acted run(long number, Collection<String> released, String who) {
        return acts.begin(number, who, released(), state -> stopped(state, released, who))
                .then(state -> strangers
                        .refuse(state, who)
                        .or(() -> lockedMeanwhile(state, who))
                        .orElseGet(() -> around.besides()
                                .carried(
                                        state,
                                        who,
                                        STARTED.said(),
                                        now -> stopped(now, released, who).orElseGet(() -> begin(now, who)))));
    }

    /** The rules are asked here, since a refusal by the gateway is noted: authorising leads back to the run. */
    private static Ask released() {
        return Ask.of(Release.RUN.name(), Release.RUN.said());
    }

    private Optional<Acted> stopped(JobState state, Collection<String> released, String who) {
        return Release.RUN
                .stop(state)
                .or(() -> Release.notReleased(state, released))
                .map(stop -> stop.remedy().equals(Optional.of(Stage.UNLOCK))
                        ? locked(state, stop.sentence(), who)
                        : Acted.refused(stop));
    }

    /** Refused before anything is sent, and remembered so that the remedy leads back to it. */
    private Acted locked(JobState state, String why, String who) {
        String title = "the run, " + Words.count(state.writes().size(), "writing step");
        around.notes().put(state.job().id(), RefusedStored.KIND, new RefusedStored(Stage.RUN.key(), title, why), who);
        around.audit()
                .record(
                        who,
                        "was refused by the gateway's state",
                        "job " + state.job().number(),
                        why);
        return new Acted.Refused(why, Optional.of(Stage.UNLOCK));
    }

    /** An authorisation that should still hold is looked at again: sleeping or a lost supply may have ended it. */
    private Optional<Acted> lockedMeanwhile(JobState state, String who) {
        if (!(state.gateway() instanceof Gateway.Authorised)) return Optional.empty();
        Optional<BenchInterface> bench = interfaces.of(state.pack());
        try {
            boolean open = bench.isPresent() && gateways.stillOpen(state.job().vehicleId(), state.pack(), bench.get());
            if (open) return Optional.empty();
            return Optional.of(acts.then(
                    state.job().number(),
                    who,
                    "was refused by the gateway",
                    now -> locked(now, Release.locked(now), who)));
        } catch (LinkLostException | BenchInterface.BusyException e) {
            return Optional.of(Acted.refused(Words.said(e)));
        }
    }

    private Acted begin(JobState state, String who) {
        return switch (orders.build(state, who)) {
            case RunOrders.Built.Missing(String sentence) -> Acted.refused(sentence);
            case RunOrders.Built.Order(var order) -> {
                RunService.Begun begun =
                        state.run().map(stopped -> runs.goOn(order, stopped)).orElseGet(() -> runs.start(order));
                if (begun instanceof RunService.Begun.Refused(String reason)) yield Acted.refused(reason);
                String why = Words.count(RunTasks.leg(state).size(), "writing step") + " of plan version "
                        + state.plan().orElseThrow().version();
                HoldNote hold = HoldNote.of(
                        HoldPoint.WRITES_RELEASED, false, who, around.time().instant(), why);
                around.holds().put(state.job(), hold);
                yield Acted.done();
            }
        };
    }

    public Acted recover(long number, String who) {
        return acts.begin(number, who, Release.RECOVER, state -> Optional.empty())
                .then(state -> strangers
                        .refuse(state, who)
                        .orElseGet(() -> around.besides()
                                .carried(
                                        state,
                                        who,
                                        "recovered the run",
                                        now -> Release.RECOVER
                                                .stop(now)
                                                .map(Acted::refused)
                                                .orElseGet(() -> goOn(now, who)))));
    }

    private Acted goOn(JobState state, String who) {
        return switch (orders.build(state, who)) {
            case RunOrders.Built.Missing(String sentence) -> Acted.refused(sentence);
            case RunOrders.Built.Order(var order) ->
                switch (runs.goOn(order, state.run().orElseThrow())) {
                    case RunService.Begun.Running running -> Acted.done();
                    case RunService.Begun.Refused(String reason) -> Acted.refused(reason);
                };
        };
    }

    /** Has a run that waits stop before its next step. */
    public Acted stop(long number, String who) {
        return acts.on(number, who, Release.STOP, state -> {
            var running = state.run().orElseThrow();
            Optional<String> refusal = runs.stop(running, who);
            if (refusal.isPresent()) return Acted.refused(refusal.get());
            around.audit().record(who, "stopped the run", "job " + number, running.taskTitle());
            return Acted.done();
        });
    }
}
