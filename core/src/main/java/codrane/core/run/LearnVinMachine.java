package codrane.core.run;

import codrane.core.gateway.OperationMatrix.Operation;
import codrane.core.octets.Bytes;
import codrane.core.pack.PackModule.Ident;
import codrane.core.run.RunState.Phase;
import codrane.core.uds.UdsRequest.RoutineControl;
import codrane.core.uds.UdsResponse;
import java.time.Duration;

/**
 * A module that learns its VIN from a neighbour. It is asked first: one that holds the VIN is left alone, one that was
 * erased before is only restarted.
 */
final class LearnVinMachine extends UnlockedMachine {
    private static final Duration ASK_EVERY = Duration.ofSeconds(1);
    private static final int MOST_LOOKS = 10;
    private static final int EMPTY = 0xFF;

    private final RunTask.LearnVin task;

    LearnVinMachine(RunState state, RunTask.LearnVin task) {
        super(state, task);
        this.task = task;
    }

    @Override
    Phase ready() {
        return Phase.LOOK;
    }

    @Override
    Step unlocked() {
        return go(Phase.FORGET);
    }

    @Override
    RunAction action() {
        return switch (state.phase()) {
            case LOOK, LOOK_AGAIN -> reads("Read its VIN", task.module().did(Ident.VIN));
            case FORGET ->
                writes(task.title(), RoutineControl.start(task.forgetRoutine(), Bytes.EMPTY), Operation.CODE);
            default -> super.action();
        };
    }

    @Override
    Step positive(UdsResponse response) {
        return switch (state.phase()) {
            case LOOK, LOOK_AGAIN -> looked(data(response));
            case FORGET -> go(Phase.RESTART);
            default -> super.positive(response);
        };
    }

    @Override
    Step awake() {
        return go(Phase.LOOK_AGAIN);
    }

    private Step looked(Bytes found) {
        if (found.equals(task.vin())) return done();
        boolean erased = found.allAre(EMPTY);
        if (state.phase() == Phase.LOOK) return go(erased ? Phase.RESTART : Phase.SESSION);
        if (erased && state.tries() < MOST_LOOKS)
            return new Step(state.again(), new RunAction.Pause("It asks its neighbour", ASK_EVERY));
        return safe(
                erased
                        ? "has not learned a VIN"
                        : "learned another VIN than the vehicle's: "
                                + found.text().strip(),
                "Turn the key off until the vehicle sleeps, then on. Then release it again.");
    }
}
