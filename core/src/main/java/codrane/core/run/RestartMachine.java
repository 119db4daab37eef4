package codrane.core.run;

import codrane.core.run.RunState.Phase;

/** A module restarted, and awaited. */
final class RestartMachine extends TaskMachine {
    RestartMachine(RunState state) {
        super(state);
    }

    @Override
    Step begin() {
        return go(Phase.RESTART);
    }
}
