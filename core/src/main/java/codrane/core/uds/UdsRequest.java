package codrane.core.uds;

import codrane.core.octets.Bytes;
import codrane.core.octets.DecodeResult;
import codrane.core.octets.WireWriter;
import java.util.List;
import java.util.Optional;

/**
 * Request messages, one record each under its standard name; tester, stand-in and trace use the same. Whether a positive
 * response is wanted is not part of what is asked: {@link #quiet} and {@link Service#suppressed}. Source: unchecked (ISO
 * 14229-1; ISO 15031-5 for those of the law).
 */
public sealed interface UdsRequest {
    record DiagnosticSessionControl(int session) implements UdsRequest {}

    /** @param type 1 hard, 2 key off and on, 3 soft */
    record EcuReset(int type) implements UdsRequest {}

    /** @param group of faults, 0..0xFFFFFF */
    record ClearDiagnosticInformation(int group) implements UdsRequest {
        public static final int ALL_GROUPS = 0xFFFFFF;
    }

    /** @param mask status bits of which one must be set, 0..255 */
    record ReportNumberOfDtcByStatusMask(int mask) implements UdsRequest {}

    record ReportDtcByStatusMask(int mask) implements UdsRequest {}

    record ReportDtcSnapshotIdentification() implements UdsRequest {}

    /** @param record number, 0xFF: all */
    record ReportDtcSnapshotRecordByDtcNumber(int dtc, int record) implements UdsRequest {}

    record ReportDtcExtDataRecordByDtcNumber(int dtc, int record) implements UdsRequest {}

    record ReportSupportedDtc() implements UdsRequest {}

    /** @param identifiers one or more, each 0..0xFFFF */
    record ReadDataByIdentifier(List<Integer> identifiers) implements UdsRequest {
        public ReadDataByIdentifier {
            identifiers = List.copyOf(identifiers);
        }

        public ReadDataByIdentifier(int identifier) {
            this(List.of(identifier));
        }
    }

    record ReadMemoryByAddress(MemoryRange range) implements UdsRequest {}

    record ReadScalingDataByIdentifier(int identifier) implements UdsRequest {}

    /** @param level odd */
    record RequestSeed(int level) implements UdsRequest {}

    /** @param level of the seed, odd; the sub-function is the next one */
    record SendKey(int level, Bytes key) implements UdsRequest {}

    /**
     * @param control 0 both enabled, 1 receive only, 2 send only, 3 both disabled
     * @param type of messages: 1 normal, 2 network management, 3 both
     */
    record CommunicationControl(int control, int type) implements UdsRequest {}

    record DeAuthenticate() implements UdsRequest {}

    record VerifyCertificateUnidirectional(int configuration, Bytes certificate, Bytes challenge)
            implements UdsRequest {}

    record ProofOfOwnership(Bytes proof, Bytes ephemeralKey) implements UdsRequest {}

    record AuthenticationConfiguration() implements UdsRequest {}

    /** @param position of the first octet taken, from 1 */
    record Piece(int source, int position, int length) {}

    /** @param identifier to define, F200..F3FF */
    record DefineByIdentifier(int identifier, List<Piece> pieces) implements UdsRequest {
        public DefineByIdentifier {
            pieces = List.copyOf(pieces);
        }
    }

    /** @param identifier one of them; empty: all */
    record ClearDynamicallyDefinedDataIdentifier(Optional<Integer> identifier) implements UdsRequest {}

    record WriteDataByIdentifier(int identifier, Bytes data) implements UdsRequest {}

    /** @param state what the control takes, for a short-term adjustment the value */
    record InputOutputControlByIdentifier(int identifier, int control, Bytes state) implements UdsRequest {
        public static final int RETURN_CONTROL_TO_ECU = 0x00;
        public static final int SHORT_TERM_ADJUSTMENT = 0x03;
    }

    /** @param option what the routine takes */
    record RoutineControl(int type, int routine, Bytes option) implements UdsRequest {
        public static final int START = 1;
        public static final int STOP = 2;
        public static final int RESULTS = 3;
        public static final int ERASE_MEMORY = 0xFF00;
        public static final int CHECK_PROGRAMMING_DEPENDENCIES = 0xFF01;

        public static RoutineControl start(int routine, Bytes option) {
            return new RoutineControl(START, routine, option);
        }

        public static RoutineControl stop(int routine) {
            return new RoutineControl(STOP, routine, Bytes.EMPTY);
        }

        public static RoutineControl results(int routine) {
            return new RoutineControl(RESULTS, routine, Bytes.EMPTY);
        }
    }

    /** @param dataFormat 0: neither compressed nor encrypted */
    record RequestDownload(int dataFormat, MemoryRange range) implements UdsRequest {}

    record RequestUpload(int dataFormat, MemoryRange range) implements UdsRequest {}

    /** @param counter block sequence counter, 0..255, begins with 1 and wraps to 0 */
    record TransferData(int counter, Bytes data) implements UdsRequest {}

    record RequestTransferExit() implements UdsRequest {}

    record WriteMemoryByAddress(MemoryRange range, Bytes data) implements UdsRequest {}

    record TesterPresent() implements UdsRequest {}

    /**
     * @param type 1: faults are stored, 2: they are not
     * @param option which of them; empty: all
     */
    record ControlDtcSetting(int type, Bytes option) implements UdsRequest {
        public static final int ON = 1;
        public static final int OFF = 2;

        public ControlDtcSetting(int type) {
            this(type, Bytes.EMPTY);
        }
    }

    /** @param rate code of a fixed rate: 12 for 500 kbit/s, 11 for 250 kbit/s */
    record VerifyModeTransitionWithFixedParameter(int rate) implements UdsRequest {}

    record TransitionMode() implements UdsRequest {}

    record ObdCurrentData(List<Integer> identifiers) implements UdsRequest {
        public ObdCurrentData {
            identifiers = List.copyOf(identifiers);
        }
    }

    record ObdStoredFaults() implements UdsRequest {}

    record ObdClear() implements UdsRequest {}

    record ObdPendingFaults() implements UdsRequest {}

    record ObdVehicleInformation(int type) implements UdsRequest {}

    record ObdPermanentFaults() implements UdsRequest {}

    /** The whole message, service identifier first. */
    default Bytes encode() {
        return encode(0);
    }

    /** The same, asking for no positive response; only for services with a sub-function. */
    default Bytes quiet() {
        return encode(Service.SUPPRESS);
    }

    private Bytes encode(int quiet) {
        WireWriter out = switch (this) {
            case DiagnosticSessionControl(int session) ->
                begin(Service.DIAGNOSTIC_SESSION_CONTROL).u8(session | quiet);
            case EcuReset(int type) -> begin(Service.ECU_RESET).u8(type | quiet);
            case ClearDiagnosticInformation(int group) ->
                begin(Service.CLEAR_DIAGNOSTIC_INFORMATION).u24(group);
            case ReportNumberOfDtcByStatusMask(int mask) ->
                begin(Service.READ_DTC_INFORMATION).u8(0x01 | quiet).u8(mask);
            case ReportDtcByStatusMask(int mask) ->
                begin(Service.READ_DTC_INFORMATION).u8(0x02 | quiet).u8(mask);
            case ReportDtcSnapshotIdentification m ->
                begin(Service.READ_DTC_INFORMATION).u8(0x03 | quiet);
            case ReportDtcSnapshotRecordByDtcNumber(int dtc, int record) ->
                begin(Service.READ_DTC_INFORMATION).u8(0x04 | quiet).u24(dtc).u8(record);
            case ReportDtcExtDataRecordByDtcNumber(int dtc, int record) ->
                begin(Service.READ_DTC_INFORMATION).u8(0x06 | quiet).u24(dtc).u8(record);
            case ReportSupportedDtc m -> begin(Service.READ_DTC_INFORMATION).u8(0x0A | quiet);
            case ReadDataByIdentifier(List<Integer> identifiers) ->
                identifiers(begin(Service.READ_DATA_BY_IDENTIFIER), identifiers);
            case ReadMemoryByAddress(MemoryRange range) -> range.write(begin(Service.READ_MEMORY_BY_ADDRESS));
            case ReadScalingDataByIdentifier(int identifier) ->
                begin(Service.READ_SCALING_DATA_BY_IDENTIFIER).u16(identifier);
            case RequestSeed(int level) -> begin(Service.SECURITY_ACCESS).u8(level | quiet);
            case SendKey(int level, Bytes key) ->
                begin(Service.SECURITY_ACCESS).u8(level + 1 | quiet).bytes(key);
            case CommunicationControl(int control, int type) ->
                begin(Service.COMMUNICATION_CONTROL).u8(control | quiet).u8(type);
            case DeAuthenticate m -> begin(Service.AUTHENTICATION).u8(quiet);
            case VerifyCertificateUnidirectional(int configuration, Bytes certificate, Bytes challenge) ->
                begin(Service.AUTHENTICATION)
                        .u8(0x01 | quiet)
                        .u8(configuration)
                        .sized(certificate)
                        .sized(challenge);
            case ProofOfOwnership(Bytes proof, Bytes key) ->
                begin(Service.AUTHENTICATION).u8(0x03 | quiet).sized(proof).sized(key);
            case AuthenticationConfiguration m -> begin(Service.AUTHENTICATION).u8(0x08 | quiet);
            case DefineByIdentifier(int identifier, List<Piece> pieces) -> {
                WireWriter definition = begin(Service.DYNAMICALLY_DEFINE_DATA_IDENTIFIER)
                        .u8(0x01 | quiet)
                        .u16(identifier);
                for (Piece piece : pieces)
                    definition.u16(piece.source()).u8(piece.position()).u8(piece.length());
                yield definition;
            }
            case ClearDynamicallyDefinedDataIdentifier(Optional<Integer> identifier) ->
                identifiers(
                        begin(Service.DYNAMICALLY_DEFINE_DATA_IDENTIFIER).u8(0x03 | quiet),
                        identifier.stream().toList());
            case WriteDataByIdentifier(int identifier, Bytes data) ->
                begin(Service.WRITE_DATA_BY_IDENTIFIER).u16(identifier).bytes(data);
            case InputOutputControlByIdentifier(int identifier, int control, Bytes state) ->
                begin(Service.INPUT_OUTPUT_CONTROL_BY_IDENTIFIER)
                        .u16(identifier)
                        .u8(control)
                        .bytes(state);
            case RoutineControl(int type, int routine, Bytes option) ->
                begin(Service.ROUTINE_CONTROL).u8(type | quiet).u16(routine).bytes(option);
            case RequestDownload(int format, MemoryRange range) ->
                range.write(begin(Service.REQUEST_DOWNLOAD).u8(format));
            case RequestUpload(int format, MemoryRange range) ->
                range.write(begin(Service.REQUEST_UPLOAD).u8(format));
            case TransferData(int counter, Bytes data) ->
                begin(Service.TRANSFER_DATA).u8(counter).bytes(data);
            case RequestTransferExit m -> begin(Service.REQUEST_TRANSFER_EXIT);
            case WriteMemoryByAddress(MemoryRange range, Bytes data) ->
                range.write(begin(Service.WRITE_MEMORY_BY_ADDRESS)).bytes(data);
            case TesterPresent m -> begin(Service.TESTER_PRESENT).u8(quiet);
            case ControlDtcSetting(int type, Bytes option) ->
                begin(Service.CONTROL_DTC_SETTING).u8(type | quiet).bytes(option);
            case VerifyModeTransitionWithFixedParameter(int rate) ->
                begin(Service.LINK_CONTROL).u8(0x01 | quiet).u8(rate);
            case TransitionMode m -> begin(Service.LINK_CONTROL).u8(0x03 | quiet);
            case ObdCurrentData(List<Integer> identifiers) -> octets(begin(Service.OBD_CURRENT_DATA), identifiers);
            case ObdVehicleInformation(int type) ->
                begin(Service.OBD_VEHICLE_INFORMATION).u8(type);
            case ObdStoredFaults m -> begin(Service.OBD_STORED_FAULTS);
            case ObdClear m -> begin(Service.OBD_CLEAR);
            case ObdPendingFaults m -> begin(Service.OBD_PENDING_FAULTS);
            case ObdPermanentFaults m -> begin(Service.OBD_PERMANENT_FAULTS);
        };
        return out.written();
    }

    private static WireWriter begin(Service service) {
        return new WireWriter().u8(service.sid());
    }

    private static WireWriter identifiers(WireWriter out, List<Integer> identifiers) {
        identifiers.forEach(out::u16);
        return out;
    }

    private static WireWriter octets(WireWriter out, List<Integer> octets) {
        octets.forEach(out::u8);
        return out;
    }

    /** @return malformed, too, when service or sub-function is none of these */
    static DecodeResult<UdsRequest> decode(Bytes message) {
        return DecodeResult.read(message, RequestReader::read);
    }
}
