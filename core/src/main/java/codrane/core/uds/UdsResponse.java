package codrane.core.uds;

import codrane.core.octets.Bytes;
import codrane.core.octets.DecodeResult;
import codrane.core.octets.DecodeResult.Decoded;
import codrane.core.octets.WireWriter;
import java.time.Duration;
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

    /** The whole message, service identifier first. */
    default Bytes encode() {
        WireWriter out = switch (this) {
            case DiagnosticSessionControl(int session, Duration p2, Duration p2Star) ->
                begin(Service.DIAGNOSTIC_SESSION_CONTROL)
                        .u8(session)
                        .u16((int) p2.toMillis())
                        .u16((int) (p2Star.toMillis() / 10));
            case EcuReset(int type) -> begin(Service.ECU_RESET).u8(type);
            case ReportNumberOfDtcByStatusMask(int available, int format, int count) ->
                begin(Service.READ_DTC_INFORMATION)
                        .u8(0x01)
                        .u8(available)
                        .u8(format)
                        .u16(count);
            case ReportDtcByStatusMask(int available, List<DtcAndStatus> faults) ->
                faults(begin(Service.READ_DTC_INFORMATION).u8(0x02).u8(available), faults);
            case ReportSupportedDtc(int available, List<DtcAndStatus> faults) ->
                faults(begin(Service.READ_DTC_INFORMATION).u8(0x0A).u8(available), faults);
            case ReportDtcSnapshotIdentification(List<DtcAndRecord> snapshots) -> {
                WireWriter list = begin(Service.READ_DTC_INFORMATION).u8(0x03);
                for (DtcAndRecord snapshot : snapshots)
                    list.u24(snapshot.number()).u8(snapshot.record());
                yield list;
            }
            case ReportDtcSnapshotRecordByDtcNumber(DtcAndStatus fault, Bytes records) ->
                begin(Service.READ_DTC_INFORMATION)
                        .u8(0x04)
                        .u24(fault.number())
                        .u8(fault.status())
                        .bytes(records);
            case ReportDtcExtDataRecordByDtcNumber(DtcAndStatus fault, Bytes records) ->
                begin(Service.READ_DTC_INFORMATION)
                        .u8(0x06)
                        .u24(fault.number())
                        .u8(fault.status())
                        .bytes(records);
            case ReadDataByIdentifier(int identifier, Bytes data) ->
                begin(Service.READ_DATA_BY_IDENTIFIER).u16(identifier).bytes(data);
            case ReadMemoryByAddress(Bytes data) ->
                begin(Service.READ_MEMORY_BY_ADDRESS).bytes(data);
            case ReadScalingDataByIdentifier(int identifier, Bytes scaling) ->
                begin(Service.READ_SCALING_DATA_BY_IDENTIFIER).u16(identifier).bytes(scaling);
            case RequestSeed(int level, Bytes seed) ->
                begin(Service.SECURITY_ACCESS).u8(level).bytes(seed);
            case SendKey(int level) -> begin(Service.SECURITY_ACCESS).u8(level + 1);
            case CommunicationControl(int control) ->
                begin(Service.COMMUNICATION_CONTROL).u8(control);
            case DeAuthenticate(int returned) ->
                begin(Service.AUTHENTICATION).u8(0x00).u8(returned);
            case VerifyCertificateUnidirectional(int returned, Bytes challenge, Bytes key) ->
                begin(Service.AUTHENTICATION)
                        .u8(0x01)
                        .u8(returned)
                        .sized(challenge)
                        .sized(key);
            case ProofOfOwnership(int returned, Bytes key) ->
                begin(Service.AUTHENTICATION).u8(0x03).u8(returned).sized(key);
            case AuthenticationConfiguration(int returned) ->
                begin(Service.AUTHENTICATION).u8(0x08).u8(returned);
            case DynamicallyDefineDataIdentifier(int type, Optional<Integer> identifier) -> {
                WireWriter defined =
                        begin(Service.DYNAMICALLY_DEFINE_DATA_IDENTIFIER).u8(type);
                identifier.ifPresent(defined::u16);
                yield defined;
            }
            case WriteDataByIdentifier(int identifier) ->
                begin(Service.WRITE_DATA_BY_IDENTIFIER).u16(identifier);
            case InputOutputControlByIdentifier(int identifier, int control, Bytes state) ->
                begin(Service.INPUT_OUTPUT_CONTROL_BY_IDENTIFIER)
                        .u16(identifier)
                        .u8(control)
                        .bytes(state);
            case RoutineControl(int type, int routine, Bytes status) ->
                begin(Service.ROUTINE_CONTROL).u8(type).u16(routine).bytes(status);
            case RequestDownload(long longest) -> blocks(begin(Service.REQUEST_DOWNLOAD), longest);
            case RequestUpload(long longest) -> blocks(begin(Service.REQUEST_UPLOAD), longest);
            case TransferData(int counter, Bytes data) ->
                begin(Service.TRANSFER_DATA).u8(counter).bytes(data);
            case RequestTransferExit(Bytes parameters) ->
                begin(Service.REQUEST_TRANSFER_EXIT).bytes(parameters);
            case WriteMemoryByAddress(MemoryRange range) -> range.write(begin(Service.WRITE_MEMORY_BY_ADDRESS));
            case TesterPresent m -> begin(Service.TESTER_PRESENT).u8(0);
            case ControlDtcSetting(int type) ->
                begin(Service.CONTROL_DTC_SETTING).u8(type);
            case LinkControl(int type) -> begin(Service.LINK_CONTROL).u8(type);
            case ObdCurrentData(Bytes values) -> begin(Service.OBD_CURRENT_DATA).bytes(values);
            case ObdStoredFaults(List<Integer> faults) -> obdFaults(begin(Service.OBD_STORED_FAULTS), faults);
            case ObdPendingFaults(List<Integer> faults) -> obdFaults(begin(Service.OBD_PENDING_FAULTS), faults);
            case ObdPermanentFaults(List<Integer> faults) -> obdFaults(begin(Service.OBD_PERMANENT_FAULTS), faults);
            case ObdVehicleInformation(int type, Bytes items) ->
                begin(Service.OBD_VEHICLE_INFORMATION).u8(type).bytes(items);
            case ClearDiagnosticInformation m -> begin(Service.CLEAR_DIAGNOSTIC_INFORMATION);
            case ObdClear m -> begin(Service.OBD_CLEAR);
            case NegativeResponse(int service, ResponseCode code) ->
                new WireWriter().u8(Service.NEGATIVE).u8(service).u8(code.number());
            case Unreadable(Bytes message) -> new WireWriter().bytes(message);
        };
        return out.written();
    }

    private static WireWriter begin(Service service) {
        return new WireWriter().u8(service.sid() | Service.POSITIVE);
    }

    private static WireWriter faults(WireWriter out, List<DtcAndStatus> faults) {
        for (DtcAndStatus fault : faults) out.u24(fault.number()).u8(fault.status());
        return out;
    }

    private static WireWriter obdFaults(WireWriter out, List<Integer> faults) {
        out.u8(faults.size());
        faults.forEach(out::u16);
        return out;
    }

    /** In as few octets as the number takes, two at least. */
    private static WireWriter blocks(WireWriter out, long longest) {
        int octets = longest > 0xFFFF ? 4 : 2;
        return out.u8(octets << 4).number(longest, octets);
    }

    /** @return malformed, too, when the service is none of these */
    static DecodeResult<UdsResponse> decode(Bytes message) {
        return DecodeResult.read(message, ResponseReader::read);
    }
}
