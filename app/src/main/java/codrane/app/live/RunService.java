package codrane.app.live;

import codrane.app.interfaces.BenchInterface;
import codrane.app.records.AuditTrail;
import codrane.app.records.ChangeLedger;
import codrane.core.job.JobRun;
import codrane.core.run.Recovery;
import codrane.core.run.RunAction;
import codrane.core.run.RunState;
import codrane.core.run.Step;
import codrane.core.text.Words;
import codrane.link.LinkLostException;
import codrane.link.run.LeaseLostException;
import codrane.link.run.RunControl;
import codrane.link.run.RunLoop;
import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.SmartLifecycle;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;
import org.springframework.transaction.support.TransactionTemplate;

/** Carries out runs, each on a thread of its own, on the node that owns the interface. */
@Component
public class RunService implements SmartLifecycle {
    private static final Logger LOG = LoggerFactory.getLogger(RunService.class);
    /** A block, its answer and what is written down of it; a long answer is not waited for. */
    private static final Duration STOPPED_WITHIN = Duration.ofSeconds(12);

    private final RunStore store;
    private final Leases leases;
    private final ChangeLedger ledger;
    private final AuditTrail audit;
    private final LiveHub hub;
    private final InstantSource time;
    private final TraceStore traces;
    private final SupplyStore supplies;
    private final TransactionTemplate transactions;
    private final Map<Long, RunControl> active = new ConcurrentHashMap<>();

    private volatile boolean watching;

    RunService(Records records, Leases leases, LiveHub hub, TransactionTemplate transactions, InstantSource time) {
        store = records.store();
        ledger = records.ledger();
        audit = records.audit();
        traces = records.traces();
        supplies = records.supplies();
        this.leases = leases;
        this.hub = hub;
        this.transactions = transactions;
        this.time = time;
    }

    /** Where a run is written down. */
    @Component
    record Records(RunStore store, ChangeLedger ledger, AuditTrail audit, TraceStore traces, SupplyStore supplies) {}

    /** Whether a run was begun. */
    public sealed interface Begun {
        record Running(long runId) implements Begun {}

        record Refused(String reason) implements Begun {}
    }

    /** Begins the one run of a plan. In a transaction of the caller's, it begins when that is committed. */
    public Begun start(RunOrder order) {
        return begin(order, Optional.empty());
    }

    /**
     * Goes on with a run that was interrupted or stopped, where it ended: a task that was under way is begun again, and
     * asks the module what is left.
     */
    public Begun goOn(RunOrder order, JobRun ended) {
        return begin(order, Optional.of(ended));
    }

    private Begun begin(RunOrder order, Optional<JobRun> ended) {
        return transactions.execute(transaction -> {
            Optional<Long> runId = ended.map(JobRun::id).or(() -> store.add(order));
            if (runId.isEmpty())
                return new Begun.Refused(
                        "This plan was carried out already: a plan is carried out once. Plan again if something is left to do.");
            RunControl control = new RunControl(order.bench().name(), time.instant());
            if (active.putIfAbsent(runId.get(), control) != null)
                return new Begun.Refused("This job's run is already under way.");
            Optional<Long> fence = leases.take(order.bench().name(), runId.get());
            if (fence.isEmpty()) {
                active.remove(runId.get(), control);
                if (ended.isEmpty()) store.drop(runId.get());
                return new Begun.Refused(leases.inUse(order.bench().name()));
            }
            RunState state = ended.map(run -> from(order, run)).orElseGet(() -> RunState.begin(order.tasks()));
            store.begin(runId.get(), fence.get());
            audit.record(
                    order.subject().who(),
                    ended.isPresent() ? "went on with run" : "started run",
                    "job " + order.subject().jobNumber(),
                    order.tasks().size() + " tasks, plan " + order.subject().planId());
            Claim claim = new Claim(runId.get(), fence.get());
            TransactionSynchronizationManager.registerSynchronization(
                    once(claim, control, () -> execute(order, claim, state, control)));
            return new Begun.Running(runId.get());
        });
    }

    /** The wire is touched when the beginning is written down for good; one that was taken back leaves nothing. */
    private TransactionSynchronization once(Claim claim, RunControl control, Runnable work) {
        return new TransactionSynchronization() {
            @Override
            public void afterCompletion(int status) {
                if (status == STATUS_COMMITTED)
                    Thread.ofPlatform().daemon().name("run-" + claim.runId()).start(work);
                else active.remove(claim.runId(), control);
            }
        };
    }

    private RunState from(RunOrder order, JobRun ended) {
        int index = Math.min(ended.taskIndex(), order.tasks().size() - 1);
        return Recovery.after(
                order.tasks(), new Recovery.Ended(index, ended.interrupted(), store.wrote(ended.id(), index)));
    }

    private void execute(RunOrder order, Claim claim, RunState state, RunControl control) {
        RunProgress progress = new RunProgress(hub, time, order.subject().jobNumber());
        Runnable renew = () -> leases.renew(order.bench().name(), claim.runId(), claim.fence());
        JdbcRunJournal journal = new JdbcRunJournal(
                order, claim, new JdbcRunJournal.Tools(store, ledger, time), progress, control, renew);
        supplies.begin(claim.runId(), order);
        try {
            Step end = order.bench().use(order.pack(), link -> {
                order.bench().trace().clear();
                BenchGates gates = new BenchGates(order, link, progress, control, time);
                RunLoop loop = new RunLoop(
                        new RunLoop.Wire(link, order.bench().control()), order.pack(), order.image(), gates, journal);
                Heartbeat heart = Heartbeat.of(claim.runId(), control, time, renew, loop::keepSession);
                try {
                    return loop.run(state);
                } finally {
                    heart.stop();
                }
            });
            journal.ended(end.state());
            ended(order, claim, end.action());
        } catch (BenchInterface.BusyException e) {
            end(
                    order,
                    claim,
                    state.recovering() ? JobRun.State.INTERRUPTED : JobRun.State.STOPPED,
                    Words.said(e),
                    "Wait, then run again.");
        } catch (LinkLostException e) {
            end(
                    order,
                    claim,
                    state.recovering() ? JobRun.State.INTERRUPTED : JobRun.State.STOPPED,
                    "The link could not be opened: " + e.getMessage(),
                    "Check cable and power, then run again.");
        } catch (LeaseLostException e) {
            LOG.warn("run {} stops sending: {}", claim.runId(), e.getMessage());
            end(
                    order,
                    claim,
                    JobRun.State.INTERRUPTED,
                    "This computer lost its hold on " + order.bench().name() + ": it did not renew it in time.",
                    "Keep the power on, then recover the run.");
        } catch (RuntimeException e) {
            LOG.error("run {} failed", claim.runId(), e);
            end(
                    order,
                    claim,
                    JobRun.State.INTERRUPTED,
                    "Codrane failed in a way that it did not expect.",
                    "Keep the power on, then recover the run.");
        } finally {
            supplies.end(claim.runId()); // if it could not be ended
            release(order, claim);
            active.remove(claim.runId());
            progress.ended();
        }
    }

    /** Nothing is sent any more: whoever reads that it has ended finds what is kept of it, and the interface free. */
    private void end(RunOrder order, Claim claim, JobRun.State state, String sentence, String nextStep) {
        supplies.end(claim.runId());
        keepTrace(order, claim.runId());
        release(order, claim);
        store.end(claim.runId(), claim.fence(), state, sentence, nextStep);
    }

    private void release(RunOrder order, Claim claim) {
        try {
            leases.release(order.bench().name(), claim.runId(), claim.fence());
        } catch (RuntimeException e) {
            LOG.warn("the lease of run {} ends by itself: {}", claim.runId(), e.getMessage());
        }
    }

    /** A trace that can't be kept is no reason to call the run anything else than it is. */
    private void keepTrace(RunOrder order, long runId) {
        try {
            traces.put(runId, order.bench().trace());
        } catch (RuntimeException e) {
            LOG.error("the trace of run {} could not be kept", runId, e);
        }
    }

    private void ended(RunOrder order, Claim claim, RunAction end) {
        switch (end) {
            case RunAction.Stopped(boolean lost, String sentence, String nextStep) ->
                end(order, claim, lost ? JobRun.State.INTERRUPTED : JobRun.State.STOPPED, sentence, nextStep);
            default ->
                end(
                        order,
                        claim,
                        JobRun.State.FINISHED,
                        "Every step was answered and every write read back; a fresh scan judges the faults.",
                        "Prove it with a fresh scan.");
        }
    }

    /**
     * Has a run stop before its next step, where nothing is half written.
     *
     * @return why not, as a sentence
     */
    public Optional<String> stop(JobRun run, String who) {
        RunControl control = active.get(run.id());
        if (control == null) return Optional.of("This run is carried out by another computer: stop it there.");
        if (run.committed())
            return Optional.of("From erase to verify a run can wait, but not stop: the module has no valid software.");
        control.stop(new RunControl.Halt(
                "Stopped by " + who + " before the next step.", "Go on when the reason is gone.", false));
        return Optional.empty();
    }

    private void mark() {
        int marked = store.markStopped(Set.copyOf(active.keySet())) + store.markAbandoned(Set.copyOf(active.keySet()));
        if (marked > 0) LOG.warn("{} run(s) were interrupted and wait to be recovered", marked);
    }

    @Scheduled(fixedDelay = 2, initialDelay = 2, timeUnit = TimeUnit.SECONDS)
    void watch() {
        if (watching) mark();
    }

    @Override
    public void start() {
        mark();
        watching = true;
    }

    /** Runs end at the next boundary, a block's at the latest, and are written down whole before the application stops. */
    @Override
    public void stop() {
        watching = false;
        RunControl.Halt halt = new RunControl.Halt(
                "Codrane was told to stop, and ended the run between two steps.",
                "Keep the power on, start Codrane, then go on with the run.",
                true);
        active.values().forEach(control -> control.stop(halt));
        Instant until = time.instant().plus(STOPPED_WITHIN);
        try {
            while (!active.isEmpty() && time.instant().isBefore(until)) Thread.sleep(20);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    @Override
    public boolean isRunning() {
        return watching;
    }
}
