package codrane.core.run;

import codrane.core.pack.VehicleCondition;
import codrane.core.run.RunState.Phase;
import codrane.core.uds.UdsRequest.DiagnosticSessionControl;
import codrane.core.uds.UdsResponse;
import java.util.List;

/** Tasks that begin with a supply in its window and the key on, and open a session. */
abstract sealed class GatedMachine extends TaskMachine permits UnlockedMachine, RoutineMachine, SecretMachine {
    private final RunTask.Gated task;

    GatedMachine(RunState state, RunTask.Gated task) {
        super(state);
        this.task = task;
    }

    @Override
    Step begin() {
        return go(Phase.POWER);
    }

    @Override
    RunAction action() {
        return switch (state.phase()) {
            case POWER ->
                new RunAction.AwaitPower(state.recovering() ? task.window().recovering() : task.window());
            case PROMPT -> new RunAction.AwaitConditions(conditions(), prompt());
            case SESSION -> asks("Open the session", new DiagnosticSessionControl(session()));
            default -> super.action();
        };
    }

    /** What the vehicle must tell before a session is opened. */
    List<VehicleCondition> conditions() {
        return List.of(VehicleCondition.KEY_ON, VehicleCondition.ENGINE_OFF);
    }

    String prompt() {
        return "Turn the key on, leave the engine off.";
    }

    int session() {
        return task.module().session().extended();
    }

    @Override
    Step proceed() {
        return switch (state.phase()) {
            case POWER -> go(Phase.PROMPT);
            case PROMPT -> go(ready());
            default -> super.proceed();
        };
    }

    /** What follows when supply and key are as they must be; what can't be undone looks first whether it is done. */
    Phase ready() {
        return Phase.SESSION;
    }

    @Override
    Step positive(UdsResponse response) {
        return state.phase() == Phase.SESSION ? go(opened()) : super.positive(response);
    }

    /** What follows the open session. */
    abstract Phase opened();
}
