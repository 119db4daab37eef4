package codrane.core.uds;

import codrane.core.octets.Bytes;
import codrane.core.octets.WireReader;
import codrane.core.uds.UdsResponse.AuthenticationConfiguration;
import codrane.core.uds.UdsResponse.ClearDiagnosticInformation;
import codrane.core.uds.UdsResponse.CommunicationControl;
import codrane.core.uds.UdsResponse.ControlDtcSetting;
import codrane.core.uds.UdsResponse.DeAuthenticate;
import codrane.core.uds.UdsResponse.DiagnosticSessionControl;
import codrane.core.uds.UdsResponse.DtcAndRecord;
import codrane.core.uds.UdsResponse.DtcAndStatus;
import codrane.core.uds.UdsResponse.DynamicallyDefineDataIdentifier;
import codrane.core.uds.UdsResponse.EcuReset;
import codrane.core.uds.UdsResponse.InputOutputControlByIdentifier;
import codrane.core.uds.UdsResponse.LinkControl;
import codrane.core.uds.UdsResponse.NegativeResponse;
import codrane.core.uds.UdsResponse.ObdClear;
import codrane.core.uds.UdsResponse.ObdCurrentData;
import codrane.core.uds.UdsResponse.ObdPendingFaults;
import codrane.core.uds.UdsResponse.ObdPermanentFaults;
import codrane.core.uds.UdsResponse.ObdStoredFaults;
import codrane.core.uds.UdsResponse.ObdVehicleInformation;
import codrane.core.uds.UdsResponse.ProofOfOwnership;
import codrane.core.uds.UdsResponse.ReadDataByIdentifier;
import codrane.core.uds.UdsResponse.ReadMemoryByAddress;
import codrane.core.uds.UdsResponse.ReadScalingDataByIdentifier;
import codrane.core.uds.UdsResponse.ReportDtcByStatusMask;
import codrane.core.uds.UdsResponse.ReportDtcExtDataRecordByDtcNumber;
import codrane.core.uds.UdsResponse.ReportDtcSnapshotIdentification;
import codrane.core.uds.UdsResponse.ReportDtcSnapshotRecordByDtcNumber;
import codrane.core.uds.UdsResponse.ReportNumberOfDtcByStatusMask;
import codrane.core.uds.UdsResponse.ReportSupportedDtc;
import codrane.core.uds.UdsResponse.RequestDownload;
import codrane.core.uds.UdsResponse.RequestSeed;
import codrane.core.uds.UdsResponse.RequestTransferExit;
import codrane.core.uds.UdsResponse.RequestUpload;
import codrane.core.uds.UdsResponse.RoutineControl;
import codrane.core.uds.UdsResponse.SendKey;
import codrane.core.uds.UdsResponse.TesterPresent;
import codrane.core.uds.UdsResponse.TransferData;
import codrane.core.uds.UdsResponse.Unreadable;
import codrane.core.uds.UdsResponse.VerifyCertificateUnidirectional;
import codrane.core.uds.UdsResponse.WriteDataByIdentifier;
import codrane.core.uds.UdsResponse.WriteMemoryByAddress;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Reads responses from their octets. */
final class ResponseReader {
    private ResponseReader() {}

    static UdsResponse read(WireReader in) {
        int first = in.u8("service");
        if (first == Service.NEGATIVE)
            return new NegativeResponse(in.u8("service"), new ResponseCode(in.u8("response code")));
        Service service = in.known(
                Service.of(first & ~Service.POSITIVE).filter(s -> (first & Service.POSITIVE) != 0),
                1,
                "the answer of a known service",
                "%02X".formatted(first));
        return switch (service) {
            case DIAGNOSTIC_SESSION_CONTROL ->
                new DiagnosticSessionControl(
                        in.u8("session"), Duration.ofMillis(in.u16("P2")), Duration.ofMillis(10L * in.u16("P2*")));
            case ECU_RESET -> reset(in);
            case CLEAR_DIAGNOSTIC_INFORMATION -> new ClearDiagnosticInformation();
            case READ_DTC_INFORMATION -> report(in);
            case READ_DATA_BY_IDENTIFIER -> new ReadDataByIdentifier(in.u16("identifier"), in.rest());
            case READ_MEMORY_BY_ADDRESS -> new ReadMemoryByAddress(in.rest());
            case READ_SCALING_DATA_BY_IDENTIFIER -> new ReadScalingDataByIdentifier(in.u16("identifier"), in.rest());
            case SECURITY_ACCESS -> access(in);
            case COMMUNICATION_CONTROL -> new CommunicationControl(in.u8("control"));
            case AUTHENTICATION -> authentication(in);
            case DYNAMICALLY_DEFINE_DATA_IDENTIFIER ->
                new DynamicallyDefineDataIdentifier(
                        in.u8("definition type"),
                        in.remaining() == 0 ? Optional.empty() : Optional.of(in.u16("identifier")));
            case WRITE_DATA_BY_IDENTIFIER -> new WriteDataByIdentifier(in.u16("identifier"));
            case INPUT_OUTPUT_CONTROL_BY_IDENTIFIER ->
                new InputOutputControlByIdentifier(in.u16("identifier"), in.u8("control"), in.rest());
            case ROUTINE_CONTROL -> new RoutineControl(in.u8("control type"), in.u16("routine"), in.rest());
            case REQUEST_DOWNLOAD -> new RequestDownload(blocks(in));
            case REQUEST_UPLOAD -> new RequestUpload(blocks(in));
            case TRANSFER_DATA -> new TransferData(in.u8("block sequence counter"), in.rest());
            case REQUEST_TRANSFER_EXIT -> new RequestTransferExit(in.rest());
            case WRITE_MEMORY_BY_ADDRESS -> new WriteMemoryByAddress(MemoryRange.read(in));
            case TESTER_PRESENT -> {
                in.expectU8("sub-function", 0);
                yield new TesterPresent();
            }
            case CONTROL_DTC_SETTING -> new ControlDtcSetting(in.u8("setting"));
            case LINK_CONTROL -> new LinkControl(in.u8("control type"));
            case OBD_CURRENT_DATA -> new ObdCurrentData(in.rest());
            case OBD_STORED_FAULTS -> new ObdStoredFaults(obdFaults(in));
            case OBD_CLEAR -> new ObdClear();
            case OBD_PENDING_FAULTS -> new ObdPendingFaults(obdFaults(in));
            case OBD_VEHICLE_INFORMATION -> new ObdVehicleInformation(in.u8("type"), in.rest());
            case OBD_PERMANENT_FAULTS -> new ObdPermanentFaults(obdFaults(in));
        };
    }

    /** A rapid power shutdown adds how long it takes; nobody here asks for one. */
    private static UdsResponse reset(WireReader in) {
        int type = in.u8("type");
        in.bytes("power down time", Math.min(1, in.remaining()));
        return new EcuReset(type);
    }

    private static UdsResponse report(WireReader in) {
        int report = in.u8("report");
        return switch (report) {
            case 0x01 -> new ReportNumberOfDtcByStatusMask(in.u8("available"), in.u8("format"), in.u16("count"));
            case 0x02 -> new ReportDtcByStatusMask(in.u8("available"), faults(in));
            case 0x03 -> new ReportDtcSnapshotIdentification(snapshots(in));
            case 0x04 -> new ReportDtcSnapshotRecordByDtcNumber(fault(in), in.rest());
            case 0x06 -> new ReportDtcExtDataRecordByDtcNumber(fault(in), in.rest());
            case 0x0A -> new ReportSupportedDtc(in.u8("available"), faults(in));
            default -> new Unreadable(Bytes.of(0x59, report).plus(in.rest()));
        };
    }

    private static DtcAndStatus fault(WireReader in) {
        return new DtcAndStatus(in.u24("fault"), in.u8("status"));
    }

    private static List<DtcAndStatus> faults(WireReader in) {
        List<DtcAndStatus> faults = new ArrayList<>();
        while (in.remaining() > 0) faults.add(fault(in));
        return faults;
    }

    private static List<DtcAndRecord> snapshots(WireReader in) {
        List<DtcAndRecord> snapshots = new ArrayList<>();
        while (in.remaining() > 0) snapshots.add(new DtcAndRecord(in.u24("fault"), in.u8("record")));
        return snapshots;
    }

    private static UdsResponse access(WireReader in) {
        int sub = in.u8("sub-function");
        if ((sub & 1) == 0) return new SendKey(sub - 1);
        return new RequestSeed(sub, in.rest());
    }

    private static UdsResponse authentication(WireReader in) {
        int task = in.u8("task");
        int returned = in.u8("return parameter");
        return switch (task) {
            case 0x00 -> new DeAuthenticate(returned);
            case 0x01 ->
                new VerifyCertificateUnidirectional(returned, in.sized("challenge"), in.sized("ephemeral key"));
            case 0x03 -> new ProofOfOwnership(returned, in.sized("session key"));
            case 0x08 -> new AuthenticationConfiguration(returned);
            default -> new Unreadable(Bytes.of(0x69, task, returned).plus(in.rest()));
        };
    }

    private static long blocks(WireReader in) {
        int octets = in.u8("length format") >> 4;
        in.check(octets >= 1 && octets <= 4, 1, "a length of 1 to 4 octets", String.valueOf(octets));
        return in.number("longest block", octets);
    }

    /** How many, then two octets each; some modules leave out the number. */
    private static List<Integer> obdFaults(WireReader in) {
        if (in.remaining() % 2 != 0) in.u8("number of faults");
        List<Integer> faults = new ArrayList<>();
        while (in.remaining() > 0) faults.add(in.u16("fault"));
        return faults;
    }
}
