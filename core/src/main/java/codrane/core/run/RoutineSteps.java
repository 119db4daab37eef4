package codrane.core.run;

import codrane.core.gateway.OperationMatrix.Operation;
import codrane.core.octets.Bytes;
import codrane.core.pack.Procedure;
import codrane.core.pack.VehicleCondition;
import codrane.core.run.RunState.Phase;
import codrane.core.uds.Requests;
import codrane.core.uds.ResponseCode;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;

/** The steps of a routine: conditions, start, and asking until it is done. */
final class RoutineSteps {
    private static final Duration ASK_EVERY = Duration.ofSeconds(1);
    /** Beyond three times what the pack says, and half a minute, nobody waits. */
    private static final int SLACK_SECONDS = 30;

    private static final int DONE = 0;
    private static final int RUNNING = 1;

    private RoutineSteps() {}

    /** Begun before and lost: it is asked how far it got. With the engine running the supply needs no gate. */
    static Step begin(RunState state, RunTask.Routine routine) {
        if (state.recovering()) return RunMachine.enter(state.at(Phase.RESULT));
        boolean running = routine.procedure().needs().contains(VehicleCondition.ENGINE_RUNNING);
        return RunMachine.enter(state.at(running ? Phase.CONDITIONS : Phase.POWER));
    }

    static Step askPerson(RunState state) {
        RunTask.Routine routine = routine(state);
        List<String> first = new ArrayList<>();
        String expect = routine.procedure().expect();
        first.add(expect.isEmpty() ? "See that nothing is in its way" : "See that nothing is in its way: " + expect);
        if (!routine.procedure().needs().isEmpty()) first.add("bring about: " + needs(routine.procedure()));
        return new Step(
                state,
                new RunAction.Stopped(
                        false,
                        "What is before it is written. \"" + state.task().title()
                                + "\" is started by somebody who looks.",
                        String.join("; ", first) + ". Then release it."));
    }

    private static String needs(Procedure procedure) {
        return procedure.needs().stream().map(VehicleCondition::words).collect(Collectors.joining(", "));
    }

    static RunAction action(RunState state) {
        Procedure procedure = routine(state).procedure();
        return switch (state.phase()) {
            case CONDITIONS ->
                new RunAction.AwaitConditions(
                        procedure.needs(), "For \"" + state.task().title() + "\": " + needs(procedure) + ".");
            case START ->
                RunMachine.send(
                        state,
                        state.task().title(),
                        Requests.startRoutine(procedure.routine(), Bytes.EMPTY),
                        Operation.ROUTINE,
                        true);
            default ->
                RunMachine.send(
                        state,
                        "Ask how far it is",
                        Requests.requestRoutineResults(procedure.routine()),
                        Operation.ROUTINE,
                        false);
        };
    }

    static RunAction.Send halt(RunState state) {
        return RunMachine.send(
                state,
                "Stop the routine",
                Requests.stopRoutine(routine(state).procedure().routine()),
                Operation.ROUTINE,
                true);
    }

    static Step result(RunState state, Bytes message) {
        if (message.length() < 5)
            return RunMachine.safe(
                    state, "does not tell whether it is done", "Look what it did before it is released again.");
        int result = message.u8(4);
        return switch (result) {
            case DONE -> RunMachine.enter(state.nextTask());
            case RUNNING -> later(state, "is still at it");
            default ->
                RunMachine.safe(
                        state,
                        "ended the routine without having done it (result %02X)".formatted(result),
                        "Look why, then release it again.");
        };
    }

    /** Asked after a loss, it may never have begun. */
    static Step noResult(RunState state, ResponseCode code) {
        return state.recovering()
                ? RunMachine.enter(state.anew())
                : RunMachine.safe(state, "does not tell a result: " + code.words(), code.nextStep());
    }

    static Step later(RunState state, String why) {
        Duration most = routine(state).procedure().duration().multipliedBy(3).plusSeconds(SLACK_SECONDS);
        if (state.tries() >= most.dividedBy(ASK_EVERY))
            return RunMachine.safe(
                    state, why + " after " + most.toSeconds() + " s", "Look what it does, then release it again.");
        return new Step(state.again(), new RunAction.Pause(state.task().title(), ASK_EVERY));
    }

    private static RunTask.Routine routine(RunState state) {
        return (RunTask.Routine) state.task();
    }
}
