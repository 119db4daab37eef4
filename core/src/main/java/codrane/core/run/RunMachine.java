package codrane.core.run;

import codrane.core.run.Reply.Positive;
import codrane.core.run.Reply.Refused;
import codrane.core.run.Reply.Silent;
import codrane.core.run.RunState.Phase;
import codrane.core.uds.ResponseCode;
import java.time.Duration;
import java.util.Optional;

/**
 * Advances a run by one answer. Pure: no clock, no link. {@code next} has the machine of the task's kind judge the answer to
 * the action before, and gives the next action.
 */
public final class RunMachine {
    private RunMachine() {}

    /** What must be sent before a run is stopped here: what moves is stopped with it. */
    public static Optional<RunAction.Send> beforeStopping(RunState state) {
        return state.phase() == Phase.RESULT && TaskMachine.of(state) instanceof RoutineMachine routine
                ? Optional.of(routine.halt())
                : Optional.empty();
    }

    public static Step next(RunState state, RunEvent event) {
        if (state.finished()) return new Step(state, new RunAction.Finished());
        TaskMachine machine = TaskMachine.of(state);
        return switch (event) {
            case RunEvent.Proceed() -> starts(state) ? TaskMachine.enter(state) : machine.proceed();
            case RunEvent.Answered(Positive positive) -> machine.positive(positive.response());
            case RunEvent.Answered(Refused(ResponseCode code)) -> machine.refused(code);
            case RunEvent.Answered(Silent(Duration waited)) -> machine.silent(waited);
        };
    }

    private static boolean starts(RunState state) {
        return state.phase() == Phase.BEGIN || state.phase() == Phase.ASK_PERSON;
    }
}
