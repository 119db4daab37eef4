package codrane.core.run;

import codrane.core.gateway.OperationMatrix.Operation;
import codrane.core.octets.Bytes;
import codrane.core.pack.PackModule.Ident;
import codrane.core.run.RunState.Phase;
import codrane.core.uds.Requests;
import java.time.Duration;

/**
 * The steps of a module that learns its VIN from a neighbour. It is asked first: one that holds the VIN is left alone, one
 * that was erased before is only restarted.
 */
final class LearnVinSteps {
    private static final Duration ASK_EVERY = Duration.ofSeconds(1);
    private static final int MOST_LOOKS = 10;
    private static final int EMPTY = 0xFF;

    private LearnVinSteps() {}

    static RunAction action(RunState state) {
        RunTask.LearnVin task = (RunTask.LearnVin) state.task();
        if (state.phase() == Phase.FORGET)
            return RunMachine.send(
                    state,
                    task.title(),
                    Requests.startRoutine(task.forgetRoutine(), Bytes.EMPTY),
                    Operation.CODE,
                    true);
        return RunMachine.send(
                state,
                "Read its VIN",
                Requests.readDataByIdentifier(task.module().did(Ident.VIN)),
                Operation.READ_IDENTIFICATION,
                false);
    }

    static Step looked(RunState state, Bytes message) {
        Bytes found = message.from(3);
        RunTask.LearnVin task = (RunTask.LearnVin) state.task();
        if (found.equals(task.vin())) return RunMachine.enter(state.nextTask());
        boolean erased = found.allAre(EMPTY);
        if (state.phase() == Phase.LOOK) return RunMachine.enter(state.at(erased ? Phase.RESTART : Phase.SESSION));
        if (erased && state.tries() < MOST_LOOKS)
            return new Step(state.again(), new RunAction.Pause("It asks its neighbour", ASK_EVERY));
        return RunMachine.safe(
                state,
                erased
                        ? "has not learned a VIN"
                        : "learned another VIN than the vehicle's: "
                                + found.text().strip(),
                "Turn the key off until the vehicle sleeps, then on. Then release it again.");
    }
}
