package codrane.core.uds;

import codrane.core.octets.Bytes;
import codrane.core.octets.DecodeResult;
import codrane.core.octets.DecodeResult.Decoded;
import codrane.core.octets.WireReader;
import codrane.core.octets.WireWriter;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Response messages, one record each under its standard name; tester, stand-in and trace use the same. Which request a
 * response belongs to is {@link UdsExchange}'s. Source: unchecked (ISO 14229-1; ISO 15031-5 for those of the law).
 */
public sealed interface UdsResponse {
    /**
     * @param p2 until the first answer, 0..65,535 ms
     * @param p2Star after a pending message, 0..655,350 ms in steps of 10 ms
     */
    record DiagnosticSessionControl(int session, Duration p2, Duration p2Star) implements UdsResponse {}

    record EcuReset(int type) implements UdsResponse {}

    record ClearDiagnosticInformation() implements UdsResponse {}

    /** @param available status bits that the module has */
    record ReportNumberOfDtcByStatusMask(int available, int format, int count) implements UdsResponse {
        public static final int FORMAT_ISO_14229 = 0x01;
    }

    /** @param number 0..0xFFFFFF */
    record DtcAndStatus(int number, int status) {}

    record ReportDtcByStatusMask(int available, List<DtcAndStatus> faults) implements UdsResponse {
        public ReportDtcByStatusMask {
            faults = List.copyOf(faults);
        }
    }

    record ReportSupportedDtc(int available, List<DtcAndStatus> faults) implements UdsResponse {
        public ReportSupportedDtc {
            faults = List.copyOf(faults);
        }
    }

    /** @param record number of the snapshot */
    record DtcAndRecord(int number, int record) {}

    record ReportDtcSnapshotIdentification(List<DtcAndRecord> snapshots) implements UdsResponse {
        public ReportDtcSnapshotIdentification {
            snapshots = List.copyOf(snapshots);
        }
    }

    /** @param records number of the record, then what was stored; empty when none was */
    record ReportDtcSnapshotRecordByDtcNumber(DtcAndStatus fault, Bytes records) implements UdsResponse {}

    record ReportDtcExtDataRecordByDtcNumber(DtcAndStatus fault, Bytes records) implements UdsResponse {}

    /** @param data of the first identifier; of several, all that follows it */
    record ReadDataByIdentifier(int identifier, Bytes data) implements UdsResponse {
        /** @param values one or more, each behind its identifier */
        public static UdsResponse several(Bytes values) {
            return new ReadDataByIdentifier(values.u16(0), values.from(2));
        }
    }

    record ReadMemoryByAddress(Bytes data) implements UdsResponse {}

    record ReadScalingDataByIdentifier(int identifier, Bytes scaling) implements UdsResponse {}

    /** @param seed all zero when the module is unlocked already */
    record RequestSeed(int level, Bytes seed) implements UdsResponse {}

    /** The key was right. */
    record SendKey(int level) implements UdsResponse {}

    record CommunicationControl(int control) implements UdsResponse {}

    record DeAuthenticate(int returned) implements UdsResponse {}

    record VerifyCertificateUnidirectional(int returned, Bytes challenge, Bytes ephemeralKey) implements UdsResponse {}

    /** @param returned {@link #COMPLETE} when ownership is proved */
    record ProofOfOwnership(int returned, Bytes sessionKey) implements UdsResponse {
        public static final int COMPLETE = 0x12;
    }

    record AuthenticationConfiguration(int returned) implements UdsResponse {}

    record DynamicallyDefineDataIdentifier(int type, Optional<Integer> identifier) implements UdsResponse {}

    record WriteDataByIdentifier(int identifier) implements UdsResponse {}

    record InputOutputControlByIdentifier(int identifier, int control, Bytes state) implements UdsResponse {}

    /** @param status what the routine tells */
    record RoutineControl(int type, int routine, Bytes status) implements UdsResponse {}

    /** @param longestBlock octets of the longest transfer request that the module takes, header included */
    record RequestDownload(long longestBlock) implements UdsResponse {}

    record RequestUpload(long longestBlock) implements UdsResponse {}

    record TransferData(int counter, Bytes data) implements UdsResponse {}

    record RequestTransferExit(Bytes parameters) implements UdsResponse {}

    record WriteMemoryByAddress(MemoryRange range) implements UdsResponse {}

    record TesterPresent() implements UdsResponse {}

    record ControlDtcSetting(int type) implements UdsResponse {}

    record LinkControl(int type) implements UdsResponse {}

    /** @param values each behind its identifier */
    record ObdCurrentData(Bytes values) implements UdsResponse {}

    /** @param faults each of two octets */
    record ObdStoredFaults(List<Integer> faults) implements UdsResponse {
        public ObdStoredFaults {
            faults = List.copyOf(faults);
        }
    }

    record ObdClear() implements UdsResponse {}

    record ObdPendingFaults(List<Integer> faults) implements UdsResponse {
        public ObdPendingFaults {
            faults = List.copyOf(faults);
        }
    }

    record ObdVehicleInformation(int type, Bytes items) implements UdsResponse {}

    record ObdPermanentFaults(List<Integer> faults) implements UdsResponse {
        public ObdPermanentFaults {
            faults = List.copyOf(faults);
        }
    }

    /** @param service identifier of the request, 0..255 */
    record NegativeResponse(int service, ResponseCode code) implements UdsResponse {}

    /** Positive, and not laid out as its service says, or of a service that nobody here knows. */
    record Unreadable(Bytes message) implements UdsResponse {}

    /** Of a message that came: whatever it is, it is one of these. */
    static UdsResponse of(Bytes message) {
        return decode(message) instanceof Decoded<UdsResponse>(UdsResponse response)
                ? response
                : new Unreadable(message);
    }

    private Service service() {
        return switch (this) {
            case DiagnosticSessionControl m -> Service.DIAGNOSTIC_SESSION_CONTROL;
            case EcuReset m -> Service.ECU_RESET;
            case ClearDiagnosticInformation m -> Service.CLEAR_DIAGNOSTIC_INFORMATION;
            case ReportNumberOfDtcByStatusMask m -> Service.READ_DTC_INFORMATION;
            case ReportDtcByStatusMask m -> Service.READ_DTC_INFORMATION;
            case ReportSupportedDtc m -> Service.READ_DTC_INFORMATION;
            case ReportDtcSnapshotIdentification m -> Service.READ_DTC_INFORMATION;
            case ReportDtcSnapshotRecordByDtcNumber m -> Service.READ_DTC_INFORMATION;
            case ReportDtcExtDataRecordByDtcNumber m -> Service.READ_DTC_INFORMATION;
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
            case DynamicallyDefineDataIdentifier m -> Service.DYNAMICALLY_DEFINE_DATA_IDENTIFIER;
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
            case LinkControl m -> Service.LINK_CONTROL;
            case ObdCurrentData m -> Service.OBD_CURRENT_DATA;
            case ObdStoredFaults m -> Service.OBD_STORED_FAULTS;
            case ObdClear m -> Service.OBD_CLEAR;
            case ObdPendingFaults m -> Service.OBD_PENDING_FAULTS;
            case ObdVehicleInformation m -> Service.OBD_VEHICLE_INFORMATION;
            case ObdPermanentFaults m -> Service.OBD_PERMANENT_FAULTS;
            case NegativeResponse m -> throw new IllegalStateException("begins with 7F");
            case Unreadable m -> throw new IllegalStateException("has no layout");
        };
    }

    /** The whole message, service identifier first. */
    default Bytes encode() {
        if (this instanceof Unreadable(Bytes message)) return message;
        if (this instanceof NegativeResponse(int service, ResponseCode code))
            return Bytes.of(Service.NEGATIVE, service, code.number());
        WireWriter out = new WireWriter().u8(service().sid() | Service.POSITIVE);
        write(out);
        return out.written();
    }

    private void write(WireWriter out) {
        switch (this) {
            case DiagnosticSessionControl(int session, Duration p2, Duration p2Star) ->
                out.u8(session).u16((int) p2.toMillis()).u16((int) (p2Star.toMillis() / 10));
            case EcuReset(int type) -> out.u8(type);
            case ReportNumberOfDtcByStatusMask(int available, int format, int count) ->
                out.u8(0x01).u8(available).u8(format).u16(count);
            case ReportDtcByStatusMask(int available, List<DtcAndStatus> faults) ->
                faults(out.u8(0x02).u8(available), faults);
            case ReportSupportedDtc(int available, List<DtcAndStatus> faults) ->
                faults(out.u8(0x0A).u8(available), faults);
            case ReportDtcSnapshotIdentification(List<DtcAndRecord> snapshots) -> {
                out.u8(0x03);
                for (DtcAndRecord snapshot : snapshots)
                    out.u24(snapshot.number()).u8(snapshot.record());
            }
            case ReportDtcSnapshotRecordByDtcNumber(DtcAndStatus fault, Bytes records) ->
                out.u8(0x04).u24(fault.number()).u8(fault.status()).bytes(records);
            case ReportDtcExtDataRecordByDtcNumber(DtcAndStatus fault, Bytes records) ->
                out.u8(0x06).u24(fault.number()).u8(fault.status()).bytes(records);
            case ReadDataByIdentifier(int identifier, Bytes data) ->
                out.u16(identifier).bytes(data);
            case ReadMemoryByAddress(Bytes data) -> out.bytes(data);
            case ReadScalingDataByIdentifier(int identifier, Bytes scaling) ->
                out.u16(identifier).bytes(scaling);
            case RequestSeed(int level, Bytes seed) -> out.u8(level).bytes(seed);
            case SendKey(int level) -> out.u8(level + 1);
            case CommunicationControl(int control) -> out.u8(control);
            case DeAuthenticate(int returned) -> out.u8(0x00).u8(returned);
            case VerifyCertificateUnidirectional(int returned, Bytes challenge, Bytes key) ->
                out.u8(0x01).u8(returned).sized(challenge).sized(key);
            case ProofOfOwnership(int returned, Bytes key) ->
                out.u8(0x03).u8(returned).sized(key);
            case AuthenticationConfiguration(int returned) -> out.u8(0x08).u8(returned);
            case DynamicallyDefineDataIdentifier(int type, Optional<Integer> identifier) -> {
                out.u8(type);
                identifier.ifPresent(out::u16);
            }
            case WriteDataByIdentifier(int identifier) -> out.u16(identifier);
            case InputOutputControlByIdentifier(int identifier, int control, Bytes state) ->
                out.u16(identifier).u8(control).bytes(state);
            case RoutineControl(int type, int routine, Bytes status) ->
                out.u8(type).u16(routine).bytes(status);
            case RequestDownload(long longest) -> blocks(out, longest);
            case RequestUpload(long longest) -> blocks(out, longest);
            case TransferData(int counter, Bytes data) -> out.u8(counter).bytes(data);
            case RequestTransferExit(Bytes parameters) -> out.bytes(parameters);
            case WriteMemoryByAddress(MemoryRange range) -> range.write(out);
            case TesterPresent m -> out.u8(0);
            case ControlDtcSetting(int type) -> out.u8(type);
            case LinkControl(int type) -> out.u8(type);
            case ObdCurrentData(Bytes values) -> out.bytes(values);
            case ObdStoredFaults(List<Integer> faults) -> obdFaults(out, faults);
            case ObdPendingFaults(List<Integer> faults) -> obdFaults(out, faults);
            case ObdPermanentFaults(List<Integer> faults) -> obdFaults(out, faults);
            case ObdVehicleInformation(int type, Bytes items) -> out.u8(type).bytes(items);
            case ClearDiagnosticInformation m -> {}
            case ObdClear m -> {}
            case NegativeResponse m -> {}
            case Unreadable m -> {}
        }
    }

    private static void faults(WireWriter out, List<DtcAndStatus> faults) {
        for (DtcAndStatus fault : faults) out.u24(fault.number()).u8(fault.status());
    }

    private static void obdFaults(WireWriter out, List<Integer> faults) {
        out.u8(faults.size());
        faults.forEach(out::u16);
    }

    /** In as few octets as the number takes, two at least. */
    private static void blocks(WireWriter out, long longest) {
        int octets = longest > 0xFFFF ? 4 : 2;
        out.u8(octets << 4).number(longest, octets);
    }

    /** @return malformed, too, when the service is none of these */
    static DecodeResult<UdsResponse> decode(Bytes message) {
        return DecodeResult.read(message, UdsResponse::read);
    }

    private static UdsResponse read(WireReader in) {
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

    /** How many, then two octets each; some modules leave out the number or fill up. */
    private static List<Integer> obdFaults(WireReader in) {
        if (in.remaining() % 2 != 0) in.u8("number of faults");
        List<Integer> faults = new ArrayList<>();
        while (in.remaining() > 0) faults.add(in.u16("fault"));
        return faults;
    }
}
