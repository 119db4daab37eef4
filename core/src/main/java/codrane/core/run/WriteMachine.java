package codrane.core.run;

import codrane.core.gateway.OperationMatrix.Operation;
import codrane.core.octets.Bytes;
import codrane.core.run.RunState.Phase;
import codrane.core.uds.ResponseCode;
import codrane.core.uds.UdsRequest.WriteDataByIdentifier;
import codrane.core.uds.UdsResponse;
import java.time.Duration;

/** One data identifier: read, written where it differs, read back. An unknown outcome is read, never repeated blindly. */
final class WriteMachine extends UnlockedMachine {
    private final RunTask.Write task;

    WriteMachine(RunState state, RunTask.Write task) {
        super(state, task);
        this.task = task;
    }

    @Override
    Step unlocked() {
        return go(Phase.READ);
    }

    @Override
    RunAction action() {
        return switch (state.phase()) {
            case READ -> reads("Read what is there", task.dataIdentifier());
            case WRITE ->
                writes(task.title(), new WriteDataByIdentifier(task.dataIdentifier(), task.value()), Operation.CODE);
            case READ_BACK -> reads("Read it back", task.dataIdentifier());
            default -> super.action();
        };
    }

    @Override
    Step positive(UdsResponse response) {
        return switch (state.phase()) {
            case READ -> data(response).equals(task.value()) ? done() : go(Phase.WRITE);
            case WRITE -> go(Phase.READ_BACK);
            case READ_BACK -> compare(data(response));
            default -> super.positive(response);
        };
    }

    private Step compare(Bytes found) {
        return found.equals(task.value())
                ? done()
                : safe(
                        "gave back " + found.spaced() + " instead of what was written",
                        "Scan again, then run the rest.");
    }

    @Override
    Step refused(ResponseCode code) {
        return state.phase() == Phase.READ ? go(Phase.WRITE) : super.refused(code); // nothing there that could be read
    }

    @Override
    Step silent(Duration waited) {
        return state.phase() == Phase.WRITE ? go(Phase.READ_BACK) : super.silent(waited);
    }
}
