package codrane.core.uds;

import codrane.core.octets.Bytes;
import java.util.Optional;

/** Diagnostic services that this project knows. Source: unchecked (ISO 14229-1, ISO 15031-5). */
public enum Service {
    DIAGNOSTIC_SESSION_CONTROL(0x10, "DiagnosticSessionControl", true),
    ECU_RESET(0x11, "ECUReset", true),
    CLEAR_DIAGNOSTIC_INFORMATION(0x14, "ClearDiagnosticInformation", false),
    READ_DTC_INFORMATION(0x19, "ReadDTCInformation", true),
    READ_DATA_BY_IDENTIFIER(0x22, "ReadDataByIdentifier", false),
    READ_MEMORY_BY_ADDRESS(0x23, "ReadMemoryByAddress", false),
    READ_SCALING_DATA_BY_IDENTIFIER(0x24, "ReadScalingDataByIdentifier", false),
    SECURITY_ACCESS(0x27, "SecurityAccess", true),
    COMMUNICATION_CONTROL(0x28, "CommunicationControl", true),
    AUTHENTICATION(0x29, "Authentication", true),
    DYNAMICALLY_DEFINE_DATA_IDENTIFIER(0x2C, "DynamicallyDefineDataIdentifier", true),
    WRITE_DATA_BY_IDENTIFIER(0x2E, "WriteDataByIdentifier", false),
    INPUT_OUTPUT_CONTROL_BY_IDENTIFIER(0x2F, "InputOutputControlByIdentifier", false),
    ROUTINE_CONTROL(0x31, "RoutineControl", true),
    REQUEST_DOWNLOAD(0x34, "RequestDownload", false),
    REQUEST_UPLOAD(0x35, "RequestUpload", false),
    TRANSFER_DATA(0x36, "TransferData", false),
    REQUEST_TRANSFER_EXIT(0x37, "RequestTransferExit", false),
    WRITE_MEMORY_BY_ADDRESS(0x3D, "WriteMemoryByAddress", false),
    TESTER_PRESENT(0x3E, "TesterPresent", true),
    CONTROL_DTC_SETTING(0x85, "ControlDTCSetting", true),
    LINK_CONTROL(0x87, "LinkControl", true),
    OBD_CURRENT_DATA(0x01, "OBD current data", false),
    OBD_STORED_FAULTS(0x03, "OBD stored faults", false),
    OBD_CLEAR(0x04, "OBD clear", false),
    OBD_PENDING_FAULTS(0x07, "OBD pending faults", false),
    OBD_VEHICLE_INFORMATION(0x09, "OBD vehicle information", false),
    OBD_PERMANENT_FAULTS(0x0A, "OBD permanent faults", false);

    /** First octet of a negative response. */
    public static final int NEGATIVE = 0x7F;

    /** What a positive response adds to the service identifier. */
    public static final int POSITIVE = 0x40;

    /** Bit of a sub-function that asks for no positive response. */
    public static final int SUPPRESS = 0x80;

    private final int sid;
    private final String title;
    private final boolean subFunction;

    Service(int sid, String title, boolean subFunction) {
        this.sid = sid;
        this.title = title;
        this.subFunction = subFunction;
    }

    /** Service identifier of the request, 0..255. */
    public int sid() {
        return sid;
    }

    /** As the standard names it. */
    public String title() {
        return title;
    }

    /** Whether the second octet is a sub-function, with the suppress bit. */
    public boolean hasSubFunction() {
        return subFunction;
    }

    /** Whether a request asks for no positive response. */
    public static boolean suppressed(Bytes request) {
        return request.length() > 1
                && of(request.u8(0)).map(Service::hasSubFunction).orElse(false)
                && (request.u8(1) & SUPPRESS) != 0;
    }

    public static Optional<Service> of(int sid) {
        for (Service service : values()) if (service.sid == sid) return Optional.of(service);
        return Optional.empty();
    }
}
