package codrane.core.run;

import codrane.core.gateway.OperationMatrix.Operation;
import codrane.core.run.RunState.Phase;
import codrane.core.uds.ResponseCode;
import codrane.core.uds.UdsRequest.ClearDiagnosticInformation;
import codrane.core.uds.UdsRequest.ReportDtcByStatusMask;
import codrane.core.uds.UdsResponse;

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
                        state.task().title(),
                        new ClearDiagnosticInformation(ClearDiagnosticInformation.ALL_GROUPS),
                        Operation.CLEAR)
                : send("Read the faults again", new ReportDtcByStatusMask(ANY_STATUS), Operation.READ_FAULTS, false);
    }

    @Override
    Step positive(UdsResponse response) {
        return state.phase() == Phase.CLEAR ? go(Phase.REREAD) : done();
    }

    @Override
    Step refused(ResponseCode code) {
        return state.phase() == Phase.REREAD ? done() : super.refused(code); // the scan that proves it reads them
    }
}
