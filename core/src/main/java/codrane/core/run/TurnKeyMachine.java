package codrane.core.run;

import codrane.core.run.RunState.Phase;

/** The key turned off and on by a person, in time; then the module is awaited. */
final class TurnKeyMachine extends TaskMachine {
    private final RunTask.TurnKey task;

    TurnKeyMachine(RunState state, RunTask.TurnKey task) {
        super(state);
        this.task = task;
    }

    @Override
    Step begin() {
        return go(Phase.KEY_TURN);
    }

    @Override
    RunAction action() {
        return state.phase() == Phase.KEY_TURN ? new RunAction.AwaitKeyTurn(task.cycle()) : super.action();
    }

    @Override
    Step proceed() {
        return state.phase() == Phase.KEY_TURN ? go(Phase.WAKE) : super.proceed();
    }
}
