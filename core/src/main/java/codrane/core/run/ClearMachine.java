package codrane.core.run;

import codrane.core.gateway.OperationMatrix.Operation;
import codrane.core.octets.Bytes;
import codrane.core.run.RunState.Phase;
import codrane.core.uds.Requests;
import codrane.core.uds.ResponseCode;

/** A module's faults cleared, then read again. */
final class ClearMachine extends TaskMachine {
    private static final int ANY_STATUS = 0xFF;

    ClearMachine(RunState state) {
        super(state);
    }

    @Override
    Step begin() {
        return go(Phase.CLEAR);
    }

    @Override
    RunAction action() {
        return state.phase() == Phase.CLEAR
                ? writes(
                        state.task().title(), Requests.clearDiagnosticInformation(Requests.ALL_GROUPS), Operation.CLEAR)
                : send(
                        "Read the faults again",
                        Requests.reportDtcByStatusMask(ANY_STATUS),
                        Operation.READ_FAULTS,
                        false);
    }

    @Override
    Step positive(Bytes message) {
        return state.phase() == Phase.CLEAR ? go(Phase.REREAD) : done();
    }

    @Override
    Step refused(ResponseCode code) {
        return state.phase() == Phase.REREAD ? done() : super.refused(code); // the scan that proves it reads them
    }
}
