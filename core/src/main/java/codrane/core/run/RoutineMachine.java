package codrane.core.run;

import codrane.core.gateway.OperationMatrix.Operation;
import codrane.core.octets.Bytes;
import codrane.core.pack.Procedure;
import codrane.core.pack.VehicleCondition;
import codrane.core.run.RunState.Phase;
import codrane.core.uds.ResponseCode;
import codrane.core.uds.UdsRequest.RoutineControl;
import codrane.core.uds.UdsResponse;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;

/** A routine: conditions, start, and asking until it is done. What moves is stopped with the run. */
final class RoutineMachine extends GatedMachine {
    private static final Duration ASK_EVERY = Duration.ofSeconds(1);
    /** Beyond three times what the pack says, and half a minute, nobody waits. */
    private static final int SLACK_SECONDS = 30;

    private static final int DONE = 0;
    private static final int RUNNING = 1;

    private final RunTask.Routine task;
    private final Procedure procedure;

    RoutineMachine(RunState state, RunTask.Routine task) {
        super(state, task);
        this.task = task;
        procedure = task.procedure();
    }

    /** Begun before and lost: it is asked how far it got. With the engine running the supply needs no gate. */
    @Override
    Step begin() {
        if (state.recovering()) return go(Phase.RESULT);
        return go(procedure.needs().contains(VehicleCondition.ENGINE_RUNNING) ? Phase.CONDITIONS : Phase.POWER);
    }

    @Override
    Step askPerson() {
        List<String> first = new ArrayList<>();
        String expect = procedure.expect();
        first.add(expect.isEmpty() ? "See that nothing is in its way" : "See that nothing is in its way: " + expect);
        if (!procedure.needs().isEmpty()) first.add("bring about: " + needs());
        return new Step(
                state,
                new RunAction.Stopped(
                        false,
                        "What is before it is written. \"" + task.title() + "\" is started by somebody who looks.",
                        String.join("; ", first) + ". Then release it."));
    }

    private String needs() {
        return procedure.needs().stream().map(VehicleCondition::words).collect(Collectors.joining(", "));
    }

    @Override
    Step proceed() {
        return switch (state.phase()) {
            case POWER -> go(Phase.CONDITIONS);
            case CONDITIONS -> go(Phase.SESSION);
            default -> super.proceed();
        };
    }

    @Override
    Phase opened() {
        return Phase.START;
    }

    @Override
    RunAction action() {
        return switch (state.phase()) {
            case CONDITIONS ->
                new RunAction.AwaitConditions(procedure.needs(), "For \"" + task.title() + "\": " + needs() + ".");
            case START ->
                writes(task.title(), RoutineControl.start(procedure.routine(), Bytes.EMPTY), Operation.ROUTINE);
            case RESULT ->
                send("Ask how far it is", RoutineControl.results(procedure.routine()), Operation.ROUTINE, false);
            default -> super.action();
        };
    }

    RunAction.Send halt() {
        return writes("Stop the routine", RoutineControl.stop(procedure.routine()), Operation.ROUTINE);
    }

    @Override
    Step positive(UdsResponse response) {
        return switch (state.phase()) {
            case START -> go(Phase.RESULT);
            case RESULT -> result(status(response));
            default -> super.positive(response);
        };
    }

    private Step result(Bytes status) {
        if (status.isEmpty())
            return safe("does not tell whether it is done", "Look what it did before it is released again.");
        int result = status.u8(0);
        return switch (result) {
            case DONE -> done();
            case RUNNING -> later("is still at it");
            default ->
                safe(
                        "ended the routine without having done it (result %02X)".formatted(result),
                        "Look why, then release it again.");
        };
    }

    /** Asked for its result after a loss, it may never have begun. */
    @Override
    Step refused(ResponseCode code) {
        if (state.phase() != Phase.RESULT) return super.refused(code);
        return state.recovering()
                ? enter(state.anew())
                : safe("does not tell a result: " + code.words(), code.nextStep());
    }

    /** A start whose outcome is unknown is asked about, not repeated. */
    @Override
    Step silent(Duration waited) {
        return switch (state.phase()) {
            case START -> go(Phase.RESULT);
            case RESULT -> later("does not say how far it is");
            default -> super.silent(waited);
        };
    }

    private Step later(String why) {
        Duration most = procedure.duration().multipliedBy(3).plusSeconds(SLACK_SECONDS);
        if (state.tries() >= most.dividedBy(ASK_EVERY))
            return safe(why + " after " + most.toSeconds() + " s", "Look what it does, then release it again.");
        return new Step(state.again(), new RunAction.Pause(task.title(), ASK_EVERY));
    }
}
