package codrane.app.live;

import codrane.app.records.AuditTrail;
import codrane.app.records.ChangeLedger;
import codrane.app.vehicle.BenchInterface;
import codrane.core.run.RunAction;
import codrane.core.run.RunState;
import codrane.link.LinkLostException;
import codrane.link.run.RunLoop;
import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.SmartLifecycle;
import org.springframework.scheduling.concurrent.ThreadPoolTaskScheduler;
import org.springframework.stereotype.Component;

/** Carries out runs, each on a thread of its own, on the node that owns the interface. */
@Component
public class RunService implements SmartLifecycle {
    private static final Logger LOG = LoggerFactory.getLogger(RunService.class);
    private static final Duration WATCH = Duration.ofSeconds(2);
    private static final Duration WRITTEN_WITHIN = Duration.ofSeconds(5);

    private final RunStore store;
    private final Leases leases;
    private final ChangeLedger ledger;
    private final AuditTrail audit;
    private final LiveHub hub;
    private final InstantSource time;
    private final TraceStore traces;
    private final Set<Long> active = ConcurrentHashMap.newKeySet();
    /** Runs whose end and trace are being written down. */
    private final Set<Long> ending = ConcurrentHashMap.newKeySet();

    private ThreadPoolTaskScheduler watch;

    RunService(Records records, TraceStore traces, Leases leases, LiveHub hub, InstantSource time) {
        store = records.store();
        ledger = records.ledger();
        audit = records.audit();
        this.traces = traces;
        this.leases = leases;
        this.hub = hub;
        this.time = time;
    }

    /** Where a run is written down. */
    @Component
    record Records(RunStore store, ChangeLedger ledger, AuditTrail audit) {}

    /** Whether a run was begun. */
    public sealed interface Begun {
        record Running(long runId) implements Begun {}

        record Refused(String reason) implements Begun {}
    }

    public Begun start(RunOrder order) {
        return begin(order, Optional.empty());
    }

    /** Goes on with an interrupted run: the task that was under way is begun again and asks the module what is left. */
    public Begun recover(RunOrder order, RunRecord interrupted) {
        return begin(order, Optional.of(interrupted));
    }

    private synchronized Begun begin(RunOrder order, Optional<RunRecord> interrupted) {
        Optional<RunRecord> last = store.latest(order.subject().jobId());
        if (last.isPresent() && active.contains(last.get().id()))
            return new Begun.Refused("This job's run is already under way.");
        Optional<Long> fence = leases.take(order.bench().name());
        if (fence.isEmpty()) return new Begun.Refused(order.bench().name() + " is being used from another computer.");
        long runId = interrupted.map(RunRecord::id).orElseGet(() -> store.add(order, fence.get()));
        interrupted.ifPresent(run -> store.resume(run.id(), fence.get()));
        audit.record(
                order.subject().who(),
                interrupted.isPresent() ? "recovered run" : "started run",
                "job " + order.subject().jobNumber(),
                order.tasks().size() + " tasks, plan " + order.subject().planId());
        RunState state = interrupted
                .map(run -> RunState.recover(order.tasks(), run.taskIndex()))
                .orElseGet(() -> RunState.begin(order.tasks()));
        active.add(runId);
        Thread.ofPlatform().daemon().name("run-" + runId).start(() -> execute(order, runId, fence.get(), state));
        return new Begun.Running(runId);
    }

    private void execute(RunOrder order, long runId, long fence, RunState state) {
        RunProgress progress = new RunProgress(hub, time, order.subject().jobNumber());
        JdbcRunJournal journal = new JdbcRunJournal(
                order, runId, fence, state.index(), new JdbcRunJournal.Tools(store, leases, ledger, time), progress);
        try {
            RunAction end = order.bench().use(order.pack(), link -> {
                order.bench().trace().clear();
                Runnable renew = () -> leases.renew(order.bench().name(), fence);
                BenchGates gates = new BenchGates(order, link, progress, renew, time);
                return new RunLoop(link, order.pack(), order.image(), gates, journal).run(state);
            });
            ending.add(runId);
            ended(order, runId, end, journal);
            leases.release(order.bench().name(), fence);
        } catch (BenchInterface.BusyException e) {
            store.end(runId, stateBefore(state), e.getMessage(), "Wait, then run again.");
        } catch (LinkLostException e) {
            store.end(
                    runId,
                    stateBefore(state),
                    "The link could not be opened: " + e.getMessage(),
                    "Check cable and power, then run again.");
        } catch (Leases.LeaseLostException e) {
            LOG.warn("run {} stops sending: {}", runId, e.getMessage()); // its new owner decides what it is
        } catch (RuntimeException e) {
            LOG.error("run {} failed", runId, e);
            store.end(
                    runId,
                    RunRecord.State.INTERRUPTED,
                    "Codrane failed in a way that it did not expect.",
                    "Keep the power on, then recover the run.");
        } finally {
            keepTrace(order, runId);
            ending.remove(runId);
            active.remove(runId);
            progress.ended();
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

    /** A run that could not even begin is what it was. */
    private static RunRecord.State stateBefore(RunState state) {
        return state.recovering() ? RunRecord.State.INTERRUPTED : RunRecord.State.STOPPED;
    }

    private void ended(RunOrder order, long runId, RunAction end, JdbcRunJournal journal) {
        switch (end) {
            case RunAction.Stopped(boolean lost, String sentence, String nextStep) ->
                store.end(runId, lost ? RunRecord.State.INTERRUPTED : RunRecord.State.STOPPED, sentence, nextStep);
            default -> {
                journal.completed(order.tasks().size());
                store.end(
                        runId,
                        RunRecord.State.FINISHED,
                        "Every step was answered and every write read back; a fresh scan judges the faults.",
                        "Prove it with a fresh scan.");
            }
        }
    }

    private synchronized void markInterrupted() {
        int marked = store.markInterrupted(Set.copyOf(active));
        if (marked > 0) LOG.warn("{} run(s) were interrupted and wait to be recovered", marked);
    }

    @Override
    public void start() {
        markInterrupted();
        watch = new ThreadPoolTaskScheduler();
        watch.setThreadNamePrefix("run-watch-");
        watch.setDaemon(true);
        watch.initialize();
        watch.scheduleWithFixedDelay(this::markInterrupted, WATCH);
    }

    @Override
    public void stop() {
        if (watch != null) watch.shutdown();
        watch = null;
        awaitEnds();
    }

    /** A run that has ended is written down whole before the application stops. */
    private void awaitEnds() {
        Instant until = time.instant().plus(WRITTEN_WITHIN);
        try {
            while (!ending.isEmpty() && time.instant().isBefore(until)) Thread.sleep(20);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    @Override
    public boolean isRunning() {
        return watch != null;
    }
}
