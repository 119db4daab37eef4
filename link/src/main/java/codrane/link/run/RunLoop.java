package codrane.link.run;

import codrane.core.access.KeyProvider;
import codrane.core.calibration.MemoryImage;
import codrane.core.gateway.OperationMatrix;
import codrane.core.gateway.OperationMatrix.Operation;
import codrane.core.octets.Bytes;
import codrane.core.pack.Pack;
import codrane.core.run.Reply;
import codrane.core.run.RunAction;
import codrane.core.run.RunEvent;
import codrane.core.run.RunMachine;
import codrane.core.run.RunState;
import codrane.core.run.Step;
import codrane.core.uds.UdsRequest;
import codrane.link.DiagnosticLink;
import codrane.link.LinkLostException;
import codrane.link.scan.VehicleScanner;

/** Runs the run engine to its end on the calling thread. */
public final class RunLoop {
    private final SessionKeeper link;
    private final KeyProvider keys;
    private final Pack pack;
    private final MemoryImage image;
    private final RunGates gates;
    private final RunJournal journal;

    /**
     * The way to the modules.
     *
     * @param keys asked when one is to be unlocked
     */
    public record Wire(DiagnosticLink link, KeyProvider keys) {}

    /** @param image data of the download; empty when the run has none */
    public RunLoop(Wire wire, Pack pack, MemoryImage image, RunGates gates, RunJournal journal) {
        link = new SessionKeeper(wire.link());
        keys = wire.keys();
        this.pack = pack;
        this.image = image;
        this.gates = gates;
        this.journal = journal;
    }

    /** @return where it ended, with {@code Finished} or {@code Stopped}; a lost link is a stop that needs recovery */
    public Step run(RunState start) {
        Step step = RunMachine.next(start, new RunEvent.Proceed());
        while (true) {
            if (step.action() instanceof RunAction.Finished || step.action() instanceof RunAction.Stopped) return step;
            int index = step.state().index();
            try {
                step = advance(step);
            } catch (LinkLostException e) {
                return new Step(
                        step.state(),
                        new RunAction.Stopped(
                                true,
                                "The link was lost. " + e.getMessage(),
                                "Keep the power on, reconnect, then recover the run."));
            }
            if (step.state().index() != index) link.release(); // the next module's session is another one
        }
    }

    /**
     * Keeps the module's session while the run's own thread waits for something else than the wire. For another thread,
     * about once a second.
     */
    public void keepSession() {
        link.keep();
    }

    private Step advance(Step step) {
        RunState state = step.state();
        return switch (step.action()) {
            case RunAction.Send send -> send(state, send);
            case RunAction.SendKey key -> key(state, key);
            case RunAction.SendBlock block -> block(state, block);
            case RunAction.AwaitPower power -> gate(state, gates.awaitPower(state, power.window()));
            case RunAction.AwaitConditions needed -> gate(state, gates.awaitConditions(state, needed));
            case RunAction.AwaitKeyTurn turn -> {
                journal.open(state, turn); // a task of its own, in which nothing is sent
                yield gate(state, gates.awaitKeyTurn(state, turn.cycle()));
            }
            case RunAction.Pause pause -> {
                gates.pause(pause);
                yield RunMachine.next(state, new RunEvent.Proceed());
            }
            case RunAction.Finished finished -> throw new IllegalStateException("the loop has ended");
            case RunAction.Stopped stopped -> throw new IllegalStateException("the loop has ended");
        };
    }

    private Step send(RunState state, RunAction.Send send) {
        if (gates.permit(send.operation()) instanceof OperationMatrix.Verdict.Refused(String reason)) {
            return stopped(state, reason, "Authorise at Unlock, then run again.");
        }
        if (gates.beforeSending(state) instanceof RunGates.Verdict.Closed(String reason, String nextStep)) {
            RunMachine.beforeStopping(state).ifPresent(last -> halt(state, last));
            return stopped(state, reason, nextStep);
        }
        return send.code()
                ? withCodes(state, send)
                : exchange(state, send, send.module(), send.request().encode());
    }

    /** What moves is stopped at once, and written down after: the journal may be what the run waits for. */
    private void halt(RunState state, RunAction.Send last) {
        var module = pack.module(last.module());
        Reply reply = link.request(module.address(), last.request().encode(), VehicleScanner.waits(module));
        journal.open(state, last);
        journal.close(state, last, reply);
    }

    private Step key(RunState state, RunAction.SendKey action) {
        Operation security = Operation.SECURITY;
        return keys.keyFor(pack.module(action.module()), action.seed())
                .map(key -> new UdsRequest.SendKey(action.level(), key))
                .map(request -> new RunAction.Send(action.purpose(), action.module(), request, security, false))
                .map(send -> send(state, send))
                .orElseGet(() -> stopped(
                        state,
                        "Nobody here knows the key of the "
                                + pack.module(action.module()).lowerTitle() + ".",
                        "Unlock it with its maker's service; then release it again."));
    }

    private Step withCodes(RunState state, RunAction.Send send) {
        return gates.withCodes(codes ->
                        tell(state, send, send.module(), send.request().encode().plus(codes)))
                .map(reply -> RunMachine.next(state, new RunEvent.Answered(reply)))
                .orElseGet(() ->
                        stopped(state, "The access code is not here.", "Type it at Prepare, then release it again."));
    }

    private Step block(RunState state, RunAction.SendBlock block) {
        if (gates.permit(Operation.PROGRAM) instanceof OperationMatrix.Verdict.Refused(String reason)) {
            return stopped(state, reason, "Authorise at Unlock, then recover the run.");
        }
        if (gates.beforeSending(state) instanceof RunGates.Verdict.Closed(String reason, String nextStep))
            return stopped(state, reason, nextStep);
        Bytes data = image.read(block.address(), block.length());
        return exchange(state, block, block.module(), new UdsRequest.TransferData(block.counter(), data).encode());
    }

    private Step exchange(RunState state, RunAction action, String moduleId, Bytes request) {
        return RunMachine.next(state, new RunEvent.Answered(tell(state, action, moduleId, request)));
    }

    private Reply tell(RunState state, RunAction action, String moduleId, Bytes request) {
        journal.open(state, action);
        var module = pack.module(moduleId);
        Reply reply = link.request(module.address(), request, VehicleScanner.waits(module));
        journal.close(state, action, reply);
        return reply;
    }

    private static Step gate(RunState state, RunGates.Verdict verdict) {
        return switch (verdict) {
            case RunGates.Verdict.Open() -> RunMachine.next(state, new RunEvent.Proceed());
            case RunGates.Verdict.Closed(String reason, String nextStep) -> stopped(state, reason, nextStep);
        };
    }

    private static Step stopped(RunState state, String reason, String nextStep) {
        return new Step(state, new RunAction.Stopped(state.committed(), reason, nextStep));
    }
}
