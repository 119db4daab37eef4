package codrane.core.uds;

import codrane.core.octets.Bytes;
import codrane.core.octets.WireReader;
import codrane.core.uds.UdsRequest.AuthenticationConfiguration;
import codrane.core.uds.UdsRequest.ClearDiagnosticInformation;
import codrane.core.uds.UdsRequest.ClearDynamicallyDefinedDataIdentifier;
import codrane.core.uds.UdsRequest.CommunicationControl;
import codrane.core.uds.UdsRequest.ControlDtcSetting;
import codrane.core.uds.UdsRequest.DeAuthenticate;
import codrane.core.uds.UdsRequest.DefineByIdentifier;
import codrane.core.uds.UdsRequest.DiagnosticSessionControl;
import codrane.core.uds.UdsRequest.EcuReset;
import codrane.core.uds.UdsRequest.InputOutputControlByIdentifier;
import codrane.core.uds.UdsRequest.ObdClear;
import codrane.core.uds.UdsRequest.ObdCurrentData;
import codrane.core.uds.UdsRequest.ObdPendingFaults;
import codrane.core.uds.UdsRequest.ObdPermanentFaults;
import codrane.core.uds.UdsRequest.ObdStoredFaults;
import codrane.core.uds.UdsRequest.ObdVehicleInformation;
import codrane.core.uds.UdsRequest.Piece;
import codrane.core.uds.UdsRequest.ProofOfOwnership;
import codrane.core.uds.UdsRequest.ReadDataByIdentifier;
import codrane.core.uds.UdsRequest.ReadMemoryByAddress;
import codrane.core.uds.UdsRequest.ReadScalingDataByIdentifier;
import codrane.core.uds.UdsRequest.ReportDtcByStatusMask;
import codrane.core.uds.UdsRequest.ReportDtcExtDataRecordByDtcNumber;
import codrane.core.uds.UdsRequest.ReportDtcSnapshotIdentification;
import codrane.core.uds.UdsRequest.ReportDtcSnapshotRecordByDtcNumber;
import codrane.core.uds.UdsRequest.ReportNumberOfDtcByStatusMask;
import codrane.core.uds.UdsRequest.ReportSupportedDtc;
import codrane.core.uds.UdsRequest.RequestDownload;
import codrane.core.uds.UdsRequest.RequestSeed;
import codrane.core.uds.UdsRequest.RequestTransferExit;
import codrane.core.uds.UdsRequest.RequestUpload;
import codrane.core.uds.UdsRequest.RoutineControl;
import codrane.core.uds.UdsRequest.SendKey;
import codrane.core.uds.UdsRequest.TesterPresent;
import codrane.core.uds.UdsRequest.TransferData;
import codrane.core.uds.UdsRequest.TransitionMode;
import codrane.core.uds.UdsRequest.VerifyCertificateUnidirectional;
import codrane.core.uds.UdsRequest.VerifyModeTransitionWithFixedParameter;
import codrane.core.uds.UdsRequest.WriteDataByIdentifier;
import codrane.core.uds.UdsRequest.WriteMemoryByAddress;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Reads requests from their octets. */
final class RequestReader {
    private RequestReader() {}

    static UdsRequest read(WireReader in) {
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
