package codrane.core.uds;

import codrane.core.fault.FaultCode;
import codrane.core.octets.Bytes;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/** Diagnostic messages in words, for traces: the standard's name of the service, then what it is about. */
public final class MessageText {
    private static final int LONGEST_DATA = 24;
    private static final Map<Integer, String> SESSIONS =
            Map.of(0x01, "default session", 0x02, "programming session", 0x03, "extended session");
    private static final Map<Integer, String> RESETS = Map.of(0x01, "hard", 0x02, "key off and on", 0x03, "soft");
    private static final Map<Integer, String> REPORTS = Map.of(
            0x01, "number by status",
            0x02, "by status",
            0x03, "snapshots there are",
            0x04, "snapshot",
            0x06, "extended data",
            0x0A, "all supported");
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
        if (first == Service.NEGATIVE) return negative(message);
        Optional<Service> request = Service.of(first);
        if (request.isPresent()) return line(request.get().title(), about(request.get(), message));
        Optional<Service> response = Service.of(first & ~Service.POSITIVE);
        if (response.isPresent() && (first & Service.POSITIVE) != 0) {
            return line(response.get().title() + " answered", about(response.get(), message));
        }
        return "unknown service %02X".formatted(first);
    }

    private static String line(String title, String about) {
        return about.isEmpty() ? title : title + ": " + about;
    }

    private static String negative(Bytes message) {
        if (message.length() < 3) return "incomplete refusal";
        String title = Service.of(message.u8(1)).map(Service::title).orElse("service %02X".formatted(message.u8(1)));
        ResponseCode code = new ResponseCode(message.u8(2));
        if (code.is(ResponseCode.Known.RESPONSE_PENDING)) return title + " pending: " + code.words();
        return "%s refused: %s (%02X)".formatted(title, code.words(), code.number());
    }

    private String about(Service service, Bytes message) {
        if (message.length() < 2) return "";
        int sub = message.u8(1) & ~Service.SUPPRESS;
        String quiet = service.hasSubFunction() && (message.u8(1) & Service.SUPPRESS) != 0 ? ", no answer wanted" : "";
        return switch (service) {
            case DIAGNOSTIC_SESSION_CONTROL -> SESSIONS.getOrDefault(sub, "session %02X".formatted(sub)) + quiet;
            case ECU_RESET -> RESETS.getOrDefault(sub, "type %02X".formatted(sub)) + quiet;
            case READ_DTC_INFORMATION -> REPORTS.getOrDefault(sub, "report %02X".formatted(sub)) + fault(sub, message);
            case READ_DATA_BY_IDENTIFIER,
                    READ_SCALING_DATA_BY_IDENTIFIER,
                    WRITE_DATA_BY_IDENTIFIER,
                    INPUT_OUTPUT_CONTROL_BY_IDENTIFIER -> identifier(message, 1);
            case DYNAMICALLY_DEFINE_DATA_IDENTIFIER -> identifier(message, 2);
            case ROUTINE_CONTROL -> ROUTINES.getOrDefault(sub, "%02X of".formatted(sub)) + " " + number(message, 2);
            case SECURITY_ACCESS ->
                (sub & 1) == 1 ? "seed, level %02X".formatted(sub) : "key, level %02X".formatted(sub - 1);
            case TRANSFER_DATA -> "block %02X, %d octets".formatted(message.u8(1), message.length() - 2);
            case REQUEST_DOWNLOAD, REQUEST_UPLOAD, READ_MEMORY_BY_ADDRESS, WRITE_MEMORY_BY_ADDRESS ->
                data(message.from(1));
            case COMMUNICATION_CONTROL, AUTHENTICATION, TESTER_PRESENT, CONTROL_DTC_SETTING, LINK_CONTROL ->
                "%02X".formatted(sub) + quiet;
            case CLEAR_DIAGNOSTIC_INFORMATION ->
                message.from(1).allAre(0xFF) ? "all faults" : message.from(1).hex();
            case REQUEST_TRANSFER_EXIT,
                    OBD_CURRENT_DATA,
                    OBD_STORED_FAULTS,
                    OBD_CLEAR,
                    OBD_PENDING_FAULTS,
                    OBD_VEHICLE_INFORMATION,
                    OBD_PERMANENT_FAULTS -> data(message.from(1));
        };
    }

    private static String fault(int sub, Bytes message) {
        boolean about = (sub == 0x04 || sub == 0x06) && message.length() >= 5;
        return about ? " of " + new FaultCode(message.u8(2) << 16 | message.u16(3)).text() : "";
    }

    private String identifier(Bytes message, int at) {
        if (message.length() < at + 2) return "";
        int identifier = message.u16(at);
        String name = identifiers.get(identifier);
        String shown = "%04X".formatted(identifier) + (name == null ? "" : " " + name);
        int rest = message.length() - at - 2;
        return rest == 0 ? shown : shown + ", " + data(message.from(at + 2));
    }

    private static String number(Bytes message, int at) {
        return message.length() < at + 2 ? "" : "%04X".formatted(message.u16(at));
    }

    private static String data(Bytes octets) {
        if (octets.length() > LONGEST_DATA) return octets.length() + " octets";
        String text = octets.text();
        boolean readable = text.length() >= 4 && text.chars().allMatch(c -> c >= ' ' && c < 0x7F);
        return readable ? "“" + text.strip() + "”" : octets.spaced().toUpperCase(Locale.ROOT);
    }
}
