package codrane.core.uds;

import codrane.core.octets.Bytes;
import codrane.core.octets.DecodeResult;
import codrane.core.octets.WireReader;
import codrane.core.octets.WireWriter;
import java.util.ArrayList;
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

    private Service service() {
        return switch (this) {
            case DiagnosticSessionControl m -> Service.DIAGNOSTIC_SESSION_CONTROL;
            case EcuReset m -> Service.ECU_RESET;
            case ClearDiagnosticInformation m -> Service.CLEAR_DIAGNOSTIC_INFORMATION;
            case ReportNumberOfDtcByStatusMask m -> Service.READ_DTC_INFORMATION;
            case ReportDtcByStatusMask m -> Service.READ_DTC_INFORMATION;
            case ReportDtcSnapshotIdentification m -> Service.READ_DTC_INFORMATION;
            case ReportDtcSnapshotRecordByDtcNumber m -> Service.READ_DTC_INFORMATION;
            case ReportDtcExtDataRecordByDtcNumber m -> Service.READ_DTC_INFORMATION;
            case ReportSupportedDtc m -> Service.READ_DTC_INFORMATION;
            case ReadDataByIdentifier m -> Service.READ_DATA_BY_IDENTIFIER;
            case ReadMemoryByAddress m -> Service.READ_MEMORY_BY_ADDRESS;
            case ReadScalingDataByIdentifier m -> Service.READ_SCALING_DATA_BY_IDENTIFIER;
            case RequestSeed m -> Service.SECURITY_ACCESS;
            case SendKey m -> Service.SECURITY_ACCESS;
            case CommunicationControl m -> Service.COMMUNICATION_CONTROL;
            case DeAuthenticate m -> Service.AUTHENTICATION;
            case VerifyCertificateUnidirectional m -> Service.AUTHENTICATION;
            case ProofOfOwnership m -> Service.AUTHENTICATION;
            case AuthenticationConfiguration m -> Service.AUTHENTICATION;
            case DefineByIdentifier m -> Service.DYNAMICALLY_DEFINE_DATA_IDENTIFIER;
            case ClearDynamicallyDefinedDataIdentifier m -> Service.DYNAMICALLY_DEFINE_DATA_IDENTIFIER;
            case WriteDataByIdentifier m -> Service.WRITE_DATA_BY_IDENTIFIER;
            case InputOutputControlByIdentifier m -> Service.INPUT_OUTPUT_CONTROL_BY_IDENTIFIER;
            case RoutineControl m -> Service.ROUTINE_CONTROL;
            case RequestDownload m -> Service.REQUEST_DOWNLOAD;
            case RequestUpload m -> Service.REQUEST_UPLOAD;
            case TransferData m -> Service.TRANSFER_DATA;
            case RequestTransferExit m -> Service.REQUEST_TRANSFER_EXIT;
            case WriteMemoryByAddress m -> Service.WRITE_MEMORY_BY_ADDRESS;
            case TesterPresent m -> Service.TESTER_PRESENT;
            case ControlDtcSetting m -> Service.CONTROL_DTC_SETTING;
            case VerifyModeTransitionWithFixedParameter m -> Service.LINK_CONTROL;
            case TransitionMode m -> Service.LINK_CONTROL;
            case ObdCurrentData m -> Service.OBD_CURRENT_DATA;
            case ObdStoredFaults m -> Service.OBD_STORED_FAULTS;
            case ObdClear m -> Service.OBD_CLEAR;
            case ObdPendingFaults m -> Service.OBD_PENDING_FAULTS;
            case ObdVehicleInformation m -> Service.OBD_VEHICLE_INFORMATION;
            case ObdPermanentFaults m -> Service.OBD_PERMANENT_FAULTS;
        };
    }

    /** The whole message, service identifier first. */
    default Bytes encode() {
        return encode(0);
    }

    /** The same, asking for no positive response; only for services with a sub-function. */
    default Bytes quiet() {
        return encode(Service.SUPPRESS);
    }

    private Bytes encode(int quiet) {
        WireWriter out = new WireWriter().u8(service().sid());
        switch (this) {
            case DiagnosticSessionControl(int session) -> out.u8(session | quiet);
            case EcuReset(int type) -> out.u8(type | quiet);
            case ClearDiagnosticInformation(int group) -> out.u24(group);
            case ReportNumberOfDtcByStatusMask(int mask) -> out.u8(0x01 | quiet).u8(mask);
            case ReportDtcByStatusMask(int mask) -> out.u8(0x02 | quiet).u8(mask);
            case ReportDtcSnapshotIdentification m -> out.u8(0x03 | quiet);
            case ReportDtcSnapshotRecordByDtcNumber(int dtc, int record) ->
                out.u8(0x04 | quiet).u24(dtc).u8(record);
            case ReportDtcExtDataRecordByDtcNumber(int dtc, int record) ->
                out.u8(0x06 | quiet).u24(dtc).u8(record);
            case ReportSupportedDtc m -> out.u8(0x0A | quiet);
            case ReadDataByIdentifier(List<Integer> identifiers) -> identifiers.forEach(out::u16);
            case ReadMemoryByAddress(MemoryRange range) -> range.write(out);
            case ReadScalingDataByIdentifier(int identifier) -> out.u16(identifier);
            case RequestSeed(int level) -> out.u8(level | quiet);
            case SendKey(int level, Bytes key) -> out.u8(level + 1 | quiet).bytes(key);
            case CommunicationControl(int control, int type) ->
                out.u8(control | quiet).u8(type);
            case DeAuthenticate m -> out.u8(quiet);
            case VerifyCertificateUnidirectional(int configuration, Bytes certificate, Bytes challenge) ->
                out.u8(0x01 | quiet).u8(configuration).sized(certificate).sized(challenge);
            case ProofOfOwnership(Bytes proof, Bytes key) ->
                out.u8(0x03 | quiet).sized(proof).sized(key);
            case AuthenticationConfiguration m -> out.u8(0x08 | quiet);
            case DefineByIdentifier(int identifier, List<Piece> pieces) -> {
                out.u8(0x01 | quiet).u16(identifier);
                for (Piece piece : pieces)
                    out.u16(piece.source()).u8(piece.position()).u8(piece.length());
            }
            case ClearDynamicallyDefinedDataIdentifier(Optional<Integer> identifier) -> {
                out.u8(0x03 | quiet);
                identifier.ifPresent(out::u16);
            }
            case WriteDataByIdentifier(int identifier, Bytes data) ->
                out.u16(identifier).bytes(data);
            case InputOutputControlByIdentifier(int identifier, int control, Bytes state) ->
                out.u16(identifier).u8(control).bytes(state);
            case RoutineControl(int type, int routine, Bytes option) ->
                out.u8(type | quiet).u16(routine).bytes(option);
            case RequestDownload(int format, MemoryRange range) -> range.write(out.u8(format));
            case RequestUpload(int format, MemoryRange range) -> range.write(out.u8(format));
            case TransferData(int counter, Bytes data) -> out.u8(counter).bytes(data);
            case RequestTransferExit m -> {}
            case WriteMemoryByAddress(MemoryRange range, Bytes data) -> {
                range.write(out);
                out.bytes(data);
            }
            case TesterPresent m -> out.u8(quiet);
            case ControlDtcSetting(int type, Bytes option) ->
                out.u8(type | quiet).bytes(option);
            case VerifyModeTransitionWithFixedParameter(int rate) ->
                out.u8(0x01 | quiet).u8(rate);
            case TransitionMode m -> out.u8(0x03 | quiet);
            case ObdCurrentData(List<Integer> identifiers) -> identifiers.forEach(out::u8);
            case ObdVehicleInformation(int type) -> out.u8(type);
            case ObdStoredFaults m -> {}
            case ObdClear m -> {}
            case ObdPendingFaults m -> {}
            case ObdPermanentFaults m -> {}
        }
        return out.written();
    }

    /** @return malformed, too, when service or sub-function is none of these */
    static DecodeResult<UdsRequest> decode(Bytes message) {
        return DecodeResult.read(message, UdsRequest::read);
    }

    private static UdsRequest read(WireReader in) {
        int sid = in.u8("service");
        Service service = in.known(Service.of(sid), 1, "a known service", "%02X".formatted(sid));
        return switch (service) {
            case DIAGNOSTIC_SESSION_CONTROL -> new DiagnosticSessionControl(sub(in));
            case ECU_RESET -> new EcuReset(sub(in));
            case CLEAR_DIAGNOSTIC_INFORMATION -> new ClearDiagnosticInformation(in.u24("group"));
            case READ_DTC_INFORMATION -> faults(in);
            case READ_DATA_BY_IDENTIFIER -> new ReadDataByIdentifier(identifiers(in));
            case READ_MEMORY_BY_ADDRESS -> new ReadMemoryByAddress(MemoryRange.read(in));
            case READ_SCALING_DATA_BY_IDENTIFIER -> new ReadScalingDataByIdentifier(in.u16("identifier"));
            case SECURITY_ACCESS -> access(in);
            case COMMUNICATION_CONTROL -> new CommunicationControl(sub(in), in.u8("communication type"));
            case AUTHENTICATION -> authentication(in);
            case DYNAMICALLY_DEFINE_DATA_IDENTIFIER -> definition(in);
            case WRITE_DATA_BY_IDENTIFIER -> new WriteDataByIdentifier(in.u16("identifier"), in.rest());
            case INPUT_OUTPUT_CONTROL_BY_IDENTIFIER ->
                new InputOutputControlByIdentifier(in.u16("identifier"), in.u8("control"), in.rest());
            case ROUTINE_CONTROL -> new RoutineControl(sub(in), in.u16("routine"), in.rest());
            case REQUEST_DOWNLOAD -> new RequestDownload(in.u8("data format"), MemoryRange.read(in));
            case REQUEST_UPLOAD -> new RequestUpload(in.u8("data format"), MemoryRange.read(in));
            case TRANSFER_DATA -> new TransferData(in.u8("block sequence counter"), in.rest());
            case REQUEST_TRANSFER_EXIT -> new RequestTransferExit();
            case WRITE_MEMORY_BY_ADDRESS -> memory(in);
            case TESTER_PRESENT -> {
                sub(in, 0);
                yield new TesterPresent();
            }
            case CONTROL_DTC_SETTING -> new ControlDtcSetting(sub(in), in.rest());
            case LINK_CONTROL -> link(in);
            case OBD_CURRENT_DATA -> new ObdCurrentData(octets(in));
            case OBD_STORED_FAULTS -> new ObdStoredFaults();
            case OBD_CLEAR -> new ObdClear();
            case OBD_PENDING_FAULTS -> new ObdPendingFaults();
            case OBD_VEHICLE_INFORMATION -> new ObdVehicleInformation(in.u8("type"));
            case OBD_PERMANENT_FAULTS -> new ObdPermanentFaults();
        };
    }

    /** The sub-function without its suppress bit. */
    private static int sub(WireReader in) {
        return in.u8("sub-function") & ~Service.SUPPRESS;
    }

    private static void sub(WireReader in, int expected) {
        int found = sub(in);
        in.check(found == expected, 1, "sub-function %02X".formatted(expected), "%02X".formatted(found));
    }

    private static UdsRequest unknownSub(WireReader in, int found) {
        return in.known(Optional.empty(), 1, "a known sub-function", "%02X".formatted(found));
    }

    private static UdsRequest faults(WireReader in) {
        int report = sub(in);
        return switch (report) {
            case 0x01 -> new ReportNumberOfDtcByStatusMask(in.u8("mask"));
            case 0x02 -> new ReportDtcByStatusMask(in.u8("mask"));
            case 0x03 -> new ReportDtcSnapshotIdentification();
            case 0x04 -> new ReportDtcSnapshotRecordByDtcNumber(in.u24("fault"), in.u8("record"));
            case 0x06 -> new ReportDtcExtDataRecordByDtcNumber(in.u24("fault"), in.u8("record"));
            case 0x0A -> new ReportSupportedDtc();
            default -> unknownSub(in, report);
        };
    }

    private static List<Integer> identifiers(WireReader in) {
        List<Integer> identifiers = new ArrayList<>();
        do identifiers.add(in.u16("identifier"));
        while (in.remaining() > 0);
        return identifiers;
    }

    private static List<Integer> octets(WireReader in) {
        List<Integer> octets = new ArrayList<>();
        do octets.add(in.u8("identifier"));
        while (in.remaining() > 0);
        return octets;
    }

    /** Seeds are asked for with odd sub-functions, keys sent with the even one behind. */
    private static UdsRequest access(WireReader in) {
        int sub = sub(in);
        if ((sub & 1) == 0) return new SendKey(sub - 1, in.rest());
        return new RequestSeed(sub);
    }

    private static UdsRequest authentication(WireReader in) {
        int task = sub(in);
        return switch (task) {
            case 0x00 -> new DeAuthenticate();
            case 0x01 ->
                new VerifyCertificateUnidirectional(
                        in.u8("configuration"), in.sized("certificate"), in.sized("challenge"));
            case 0x03 -> new ProofOfOwnership(in.sized("proof"), in.sized("ephemeral key"));
            case 0x08 -> new AuthenticationConfiguration();
            default -> unknownSub(in, task);
        };
    }

    private static UdsRequest definition(WireReader in) {
        int type = sub(in);
        return switch (type) {
            case 0x01 -> new DefineByIdentifier(in.u16("identifier"), pieces(in));
            case 0x03 ->
                new ClearDynamicallyDefinedDataIdentifier(
                        in.remaining() == 0 ? Optional.empty() : Optional.of(in.u16("identifier")));
            default -> unknownSub(in, type);
        };
    }

    private static List<Piece> pieces(WireReader in) {
        List<Piece> pieces = new ArrayList<>();
        do pieces.add(new Piece(in.u16("source"), in.u8("position"), in.u8("length")));
        while (in.remaining() > 0);
        return pieces;
    }

    private static UdsRequest memory(WireReader in) {
        MemoryRange range = MemoryRange.read(in);
        return new WriteMemoryByAddress(
                range, range.known() ? in.bytes("data", (int) Math.min(range.size(), Integer.MAX_VALUE)) : Bytes.EMPTY);
    }

    private static UdsRequest link(WireReader in) {
        int type = sub(in);
        return switch (type) {
            case 0x01 -> new VerifyModeTransitionWithFixedParameter(in.u8("rate"));
            case 0x03 -> new TransitionMode();
            default -> unknownSub(in, type);
        };
    }
}
