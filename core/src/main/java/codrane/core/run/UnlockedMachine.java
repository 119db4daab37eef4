package codrane.core.run;

import codrane.core.gateway.OperationMatrix.Operation;
import codrane.core.octets.Bytes;
import codrane.core.pack.PackModule;
import codrane.core.run.RunState.Phase;
import codrane.core.uds.UdsRequest.RequestSeed;
import codrane.core.uds.UdsResponse;
import java.time.Duration;

/** Tasks for which the module is unlocked by seed and key. No key is computed here: the executor asks who knows it. */
abstract sealed class UnlockedMachine extends GatedMachine permits ProgramMachine, WriteMachine, LearnVinMachine {
    UnlockedMachine(RunState state, RunTask.Gated task) {
        super(state, task);
    }

    @Override
    Phase opened() {
        return Phase.SEED;
    }

    @Override
    RunAction action() {
        return state.phase() == Phase.SEED
                ? send("Ask for a seed", new RequestSeed(access().securityLevel()), Operation.SECURITY, false)
                : super.action();
    }

    @Override
    Step positive(UdsResponse response) {
        return switch (state.phase()) {
            case SEED -> key(response);
            case KEY -> unlocked();
            default -> super.positive(response);
        };
    }

    private Step key(UdsResponse response) {
        Bytes seed = response instanceof UdsResponse.RequestSeed(int level, Bytes sent) ? sent : Bytes.EMPTY;
        if (seed.isEmpty() || seed.allAre(0)) return unlocked(); // an all-zero seed: unlocked already
        return new Step(
                state.at(Phase.KEY),
                new RunAction.SendKey("Unlock the module", state.task().module().id(), access().securityLevel(), seed));
    }

    private PackModule.Session access() {
        return state.task().module().session();
    }

    abstract Step unlocked();

    @Override
    Step silent(Duration waited) {
        return state.phase() == Phase.KEY
                ? stop("did not answer", "Keep the power on and recover the run.")
                : super.silent(waited);
    }
}
