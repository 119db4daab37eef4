package codrane.core.uds;

import codrane.core.octets.Bytes;
import codrane.core.octets.DecodeResult.Decoded;

/**
 * Which response belongs to which request. A positive response repeats what its service has it repeat: sub-function,
 * identifier, routine, block counter. One that repeats something else is a late answer to an earlier request. Source:
 * unchecked (ISO 14229-1, positive response messages).
 */
public final class UdsExchange {
    private UdsExchange() {}

    /**
     * Whether a response may be the answer to a request, positive or negative.
     *
     * @param request as it was sent; of one that nobody here can read only the service counts
     */
    public static boolean belongs(Bytes request, UdsResponse response) {
        if (request.isEmpty()) return false;
        if (response instanceof UdsResponse.NegativeResponse(int service, ResponseCode code))
            return service == request.u8(0);
        boolean sameService = response.encode().startsWith(Bytes.of(request.u8(0) | Service.POSITIVE));
        if (!sameService || response instanceof UdsResponse.Unreadable) return sameService;
        return !(UdsRequest.decode(request) instanceof Decoded<UdsRequest>(UdsRequest asked))
                || repeats(asked, response);
    }

    private static boolean repeats(UdsRequest request, UdsResponse response) {
        return switch (request) {
            case UdsRequest.DiagnosticSessionControl(int session) ->
                response instanceof UdsResponse.DiagnosticSessionControl r && r.session() == session;
            case UdsRequest.EcuReset(int type) -> response instanceof UdsResponse.EcuReset r && r.type() == type;
            case UdsRequest.ReportNumberOfDtcByStatusMask m ->
                response instanceof UdsResponse.ReportNumberOfDtcByStatusMask;
            case UdsRequest.ReportDtcByStatusMask m -> response instanceof UdsResponse.ReportDtcByStatusMask;
            case UdsRequest.ReportDtcSnapshotIdentification m ->
                response instanceof UdsResponse.ReportDtcSnapshotIdentification;
            case UdsRequest.ReportDtcSnapshotRecordByDtcNumber(int dtc, int record) ->
                response instanceof UdsResponse.ReportDtcSnapshotRecordByDtcNumber r
                        && r.fault().number() == dtc;
            case UdsRequest.ReportDtcExtDataRecordByDtcNumber(int dtc, int record) ->
                response instanceof UdsResponse.ReportDtcExtDataRecordByDtcNumber r
                        && r.fault().number() == dtc;
            case UdsRequest.ReportSupportedDtc m -> response instanceof UdsResponse.ReportSupportedDtc;
            // of several identifiers a module may leave some out
            case UdsRequest.ReadDataByIdentifier(var identifiers) ->
                response instanceof UdsResponse.ReadDataByIdentifier r && identifiers.contains(r.identifier());
            case UdsRequest.ReadScalingDataByIdentifier(int identifier) ->
                response instanceof UdsResponse.ReadScalingDataByIdentifier r && r.identifier() == identifier;
            case UdsRequest.RequestSeed(int level) ->
                response instanceof UdsResponse.RequestSeed r && r.level() == level;
            case UdsRequest.SendKey(int level, Bytes key) ->
                response instanceof UdsResponse.SendKey r && r.level() == level;
            case UdsRequest.CommunicationControl(int control, int type) ->
                response instanceof UdsResponse.CommunicationControl r && r.control() == control;
            case UdsRequest.DeAuthenticate m -> response instanceof UdsResponse.DeAuthenticate;
            case UdsRequest.VerifyCertificateUnidirectional m ->
                response instanceof UdsResponse.VerifyCertificateUnidirectional;
            case UdsRequest.ProofOfOwnership m -> response instanceof UdsResponse.ProofOfOwnership;
            case UdsRequest.AuthenticationConfiguration m ->
                response instanceof UdsResponse.AuthenticationConfiguration;
            case UdsRequest.DefineByIdentifier(int identifier, var pieces) ->
                response instanceof UdsResponse.DynamicallyDefineDataIdentifier r
                        && r.identifier().orElse(identifier) == identifier;
            case UdsRequest.ClearDynamicallyDefinedDataIdentifier(var identifier) ->
                response instanceof UdsResponse.DynamicallyDefineDataIdentifier r
                        && r.identifier().equals(identifier);
            case UdsRequest.WriteDataByIdentifier(int identifier, Bytes data) ->
                response instanceof UdsResponse.WriteDataByIdentifier r && r.identifier() == identifier;
            case UdsRequest.InputOutputControlByIdentifier(int identifier, int control, Bytes state) ->
                response instanceof UdsResponse.InputOutputControlByIdentifier r
                        && r.identifier() == identifier
                        && r.control() == control;
            case UdsRequest.RoutineControl(int type, int routine, Bytes option) ->
                response instanceof UdsResponse.RoutineControl r && r.type() == type && r.routine() == routine;
            case UdsRequest.TransferData(int counter, Bytes data) ->
                response instanceof UdsResponse.TransferData r && r.counter() == counter;
            case UdsRequest.ControlDtcSetting(int type, Bytes option) ->
                response instanceof UdsResponse.ControlDtcSetting r && r.type() == type;
            case UdsRequest.VerifyModeTransitionWithFixedParameter m ->
                response instanceof UdsResponse.LinkControl r && r.type() == 0x01;
            case UdsRequest.TransitionMode m -> response instanceof UdsResponse.LinkControl r && r.type() == 0x03;
            case UdsRequest.ObdVehicleInformation(int type) ->
                response instanceof UdsResponse.ObdVehicleInformation r && r.type() == type;
            case UdsRequest.ClearDiagnosticInformation m -> true; // the rest repeats nothing
            case UdsRequest.ReadMemoryByAddress m -> true;
            case UdsRequest.RequestDownload m -> true;
            case UdsRequest.RequestUpload m -> true;
            case UdsRequest.RequestTransferExit m -> true;
            case UdsRequest.WriteMemoryByAddress m -> true;
            case UdsRequest.TesterPresent m -> true;
            case UdsRequest.ObdCurrentData m -> true;
            case UdsRequest.ObdStoredFaults m -> true;
            case UdsRequest.ObdClear m -> true;
            case UdsRequest.ObdPendingFaults m -> true;
            case UdsRequest.ObdPermanentFaults m -> true;
        };
    }
}
