package codrane.core.uds;

import codrane.core.fault.FaultCode;
import codrane.core.octets.Bytes;
import codrane.core.octets.DecodeResult.Decoded;
import codrane.core.text.Words;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Diagnostic messages in words, for traces: the standard's name of the service, then what it is about. */
public final class MessageText {
    private static final int LONGEST_DATA = 24;
    private static final int ALL_GROUPS = UdsRequest.ClearDiagnosticInformation.ALL_GROUPS;
    private static final Map<Integer, String> SESSIONS =
            Map.of(0x01, "default session", 0x02, "programming session", 0x03, "extended session");
    private static final Map<Integer, String> RESETS = Map.of(0x01, "hard", 0x02, "key off and on", 0x03, "soft");
    private static final Map<Integer, String> ROUTINES = Map.of(0x01, "start", 0x02, "stop", 0x03, "results of");

    private final Map<Integer, String> identifiers;

    /** @param identifiers names of data identifiers, by number; others are shown by number alone */
    public MessageText(Map<Integer, String> identifiers) {
        this.identifiers = Map.copyOf(identifiers);
    }

    /** @param message request or response, service identifier first */
    public String of(Bytes message) {
        if (message.isEmpty()) return "empty message";
        int first = message.u8(0);
        Optional<Service> request = Service.of(first);
        if (request.isPresent()) return line(request.get().title(), asked(message));
        Optional<Service> response = Service.of(first & ~Service.POSITIVE);
        boolean positive = response.isPresent() && (first & Service.POSITIVE) != 0;
        if (positive) return line(response.get().title() + " answered", answered(message));
        return first == Service.NEGATIVE ? negative(message) : "unknown service %02X".formatted(first);
    }

    private static String line(String title, String about) {
        return about.isEmpty() ? title : title + ": " + about;
    }

    private static String negative(Bytes message) {
        if (!(UdsResponse.of(message) instanceof UdsResponse.NegativeResponse(int service, ResponseCode code)))
            return "incomplete refusal";
        String title = Service.of(service).map(Service::title).orElse("service %02X".formatted(service));
        if (code.is(ResponseCode.Known.RESPONSE_PENDING)) return title + " pending: " + code.words();
        return "%s refused: %s (%02X)".formatted(title, code.words(), code.number());
    }

    private String asked(Bytes message) {
        if (!(UdsRequest.decode(message) instanceof Decoded<UdsRequest>(UdsRequest request)))
            return data(message.from(1));
        String quiet = Service.suppressed(message) ? "no answer wanted" : "";
        return Stream.of(asked(request), quiet).filter(s -> !s.isEmpty()).collect(Collectors.joining(", "));
    }

    private String asked(UdsRequest request) {
        return switch (request) {
            case UdsRequest.DiagnosticSessionControl(int session) -> session(session);
            case UdsRequest.EcuReset(int type) -> reset(type);
            case UdsRequest.ClearDiagnosticInformation(int group) ->
                group == ALL_GROUPS ? "all faults" : new FaultCode(group).text();
            case UdsRequest.ReportNumberOfDtcByStatusMask m -> "number by status";
            case UdsRequest.ReportDtcByStatusMask m -> "by status";
            case UdsRequest.ReportDtcSnapshotIdentification m -> "snapshots there are";
            case UdsRequest.ReportDtcSnapshotRecordByDtcNumber(int dtc, int record) -> "snapshot" + fault(dtc);
            case UdsRequest.ReportDtcExtDataRecordByDtcNumber(int dtc, int record) -> "extended data" + fault(dtc);
            case UdsRequest.ReportSupportedDtc m -> "all supported";
            case UdsRequest.ReadDataByIdentifier(List<Integer> identifiers) ->
                identifiers.stream().map(this::identifier).collect(Collectors.joining(", "));
            case UdsRequest.ReadScalingDataByIdentifier(int identifier) -> identifier(identifier);
            case UdsRequest.WriteDataByIdentifier(int identifier, Bytes data) -> identifier(identifier, data);
            case UdsRequest.InputOutputControlByIdentifier(int identifier, int control, Bytes state) ->
                identifier(identifier, Bytes.of(control).plus(state));
            case UdsRequest.DefineByIdentifier(int identifier, List<UdsRequest.Piece> pieces) ->
                identifier(identifier) + ", of " + Words.count(pieces.size(), "piece");
            case UdsRequest.ClearDynamicallyDefinedDataIdentifier(Optional<Integer> identifier) ->
                "forget " + identifier.map(this::identifier).orElse("all");
            case UdsRequest.RequestSeed(int level) -> seed(level);
            case UdsRequest.SendKey(int level, Bytes key) -> key(level);
            case UdsRequest.RoutineControl(int type, int routine, Bytes option) -> routine(type, routine);
            case UdsRequest.TransferData(int counter, Bytes data) -> block(counter, data);
            case UdsRequest.RequestDownload(int format, MemoryRange range) -> range(range);
            case UdsRequest.RequestUpload(int format, MemoryRange range) -> range(range);
            case UdsRequest.ReadMemoryByAddress(MemoryRange range) -> range(range);
            case UdsRequest.WriteMemoryByAddress(MemoryRange range, Bytes data) -> range(range);
            case UdsRequest.CommunicationControl(int control, int type) -> "%02X".formatted(control);
            case UdsRequest.DeAuthenticate m -> "end";
            case UdsRequest.VerifyCertificateUnidirectional m -> "certificate";
            case UdsRequest.ProofOfOwnership m -> "proof of ownership";
            case UdsRequest.AuthenticationConfiguration m -> "which kind";
            case UdsRequest.TesterPresent m -> "";
            case UdsRequest.ControlDtcSetting(int type, Bytes option) -> faultStoring(type);
            case UdsRequest.VerifyModeTransitionWithFixedParameter(int rate) -> "rate %02X".formatted(rate);
            case UdsRequest.TransitionMode m -> "change over";
            case UdsRequest.ObdCurrentData(List<Integer> identifiers) ->
                identifiers.stream().map("%02X"::formatted).collect(Collectors.joining(" "));
            case UdsRequest.ObdVehicleInformation(int type) -> "%02X".formatted(type);
            case UdsRequest.RequestTransferExit m -> "";
            case UdsRequest.ObdStoredFaults m -> "";
            case UdsRequest.ObdClear m -> "";
            case UdsRequest.ObdPendingFaults m -> "";
            case UdsRequest.ObdPermanentFaults m -> "";
        };
    }

    private String answered(Bytes message) {
        return switch (UdsResponse.of(message)) {
            case UdsResponse.DiagnosticSessionControl m -> session(m.session());
            case UdsResponse.EcuReset(int type) -> reset(type);
            case UdsResponse.ReportNumberOfDtcByStatusMask m -> "number by status, " + m.count();
            case UdsResponse.ReportDtcByStatusMask m ->
                "by status, " + Words.count(m.faults().size(), "fault");
            case UdsResponse.ReportSupportedDtc m ->
                "all supported, " + Words.count(m.faults().size(), "fault");
            case UdsResponse.ReportDtcSnapshotIdentification m ->
                "snapshots there are, " + m.snapshots().size();
            case UdsResponse.ReportDtcSnapshotRecordByDtcNumber m ->
                "snapshot" + fault(m.fault().number());
            case UdsResponse.ReportDtcExtDataRecordByDtcNumber m ->
                "extended data" + fault(m.fault().number());
            case UdsResponse.ReadDataByIdentifier(int identifier, Bytes data) -> identifier(identifier, data);
            case UdsResponse.ReadScalingDataByIdentifier(int identifier, Bytes data) -> identifier(identifier, data);
            case UdsResponse.WriteDataByIdentifier(int identifier) -> identifier(identifier);
            case UdsResponse.InputOutputControlByIdentifier(int identifier, int control, Bytes state) ->
                identifier(identifier, Bytes.of(control).plus(state));
            case UdsResponse.DynamicallyDefineDataIdentifier m ->
                m.identifier().map(this::identifier).orElse("all");
            case UdsResponse.RequestSeed(int level, Bytes seed) -> seed(level);
            case UdsResponse.SendKey(int level) -> key(level);
            case UdsResponse.RoutineControl(int type, int routine, Bytes status) ->
                routine(type, routine) + (status.isEmpty() ? "" : ", " + data(status));
            case UdsResponse.TransferData(int counter, Bytes data) -> block(counter, data);
            case UdsResponse.RequestDownload(long longest) -> "blocks of up to " + longest + " octets";
            case UdsResponse.RequestUpload(long longest) -> "blocks of up to " + longest + " octets";
            case UdsResponse.WriteMemoryByAddress(MemoryRange range) -> range(range);
            case UdsResponse.ReadMemoryByAddress(Bytes data) -> data(data);
            case UdsResponse.RequestTransferExit(Bytes parameters) -> data(parameters);
            case UdsResponse.CommunicationControl(int control) -> "%02X".formatted(control);
            case UdsResponse.DeAuthenticate(int returned) -> "end, %02X".formatted(returned);
            case UdsResponse.VerifyCertificateUnidirectional m -> "certificate, %02X".formatted(m.returned());
            case UdsResponse.ProofOfOwnership m -> "proof of ownership, %02X".formatted(m.returned());
            case UdsResponse.AuthenticationConfiguration(int returned) -> "which kind, %02X".formatted(returned);
            case UdsResponse.ControlDtcSetting(int type) -> faultStoring(type);
            case UdsResponse.LinkControl(int type) -> "%02X".formatted(type);
            case UdsResponse.ObdCurrentData(Bytes values) -> data(values);
            case UdsResponse.ObdVehicleInformation(int type, Bytes items) -> "%02X, %s".formatted(type, data(items));
            case UdsResponse.ObdStoredFaults(List<Integer> faults) -> Words.count(faults.size(), "fault");
            case UdsResponse.ObdPendingFaults(List<Integer> faults) -> Words.count(faults.size(), "fault");
            case UdsResponse.ObdPermanentFaults(List<Integer> faults) -> Words.count(faults.size(), "fault");
            case UdsResponse.Unreadable(Bytes octets) -> data(octets.from(1));
            case UdsResponse.ClearDiagnosticInformation m -> "";
            case UdsResponse.TesterPresent m -> "";
            case UdsResponse.ObdClear m -> "";
            case UdsResponse.NegativeResponse m -> "";
        };
    }

    private static String session(int session) {
        return SESSIONS.getOrDefault(session, "session %02X".formatted(session));
    }

    private static String reset(int type) {
        return RESETS.getOrDefault(type, "type %02X".formatted(type));
    }

    private static String fault(int number) {
        return " of " + new FaultCode(number).text();
    }

    private static String seed(int level) {
        return "seed, level %02X".formatted(level);
    }

    private static String key(int level) {
        return "key, level %02X".formatted(level);
    }

    private static String routine(int type, int routine) {
        return ROUTINES.getOrDefault(type, "%02X of".formatted(type)) + " %04X".formatted(routine);
    }

    private static String block(int counter, Bytes data) {
        return "block %02X, %d octets".formatted(counter, data.length());
    }

    private static String range(MemoryRange range) {
        return range.known() ? "%d octets from %X".formatted(range.size(), range.address()) : "in an unknown format";
    }

    private static String faultStoring(int type) {
        return type == 1 ? "faults are stored" : type == 2 ? "faults are not stored" : "%02X".formatted(type);
    }

    private String identifier(int identifier) {
        String name = identifiers.get(identifier);
        return "%04X".formatted(identifier) + (name == null ? "" : " " + name);
    }

    private String identifier(int identifier, Bytes data) {
        return identifier(identifier) + (data.isEmpty() ? "" : ", " + data(data));
    }

    private static String data(Bytes octets) {
        if (octets.length() > LONGEST_DATA) return octets.length() + " octets";
        String text = octets.text();
        boolean readable = text.length() >= 4 && text.chars().allMatch(c -> c >= ' ' && c < 0x7F);
        return readable ? "“" + text.strip() + "”" : octets.spaced().toUpperCase(Locale.ROOT);
    }
}
