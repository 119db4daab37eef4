package codrane.core.uds;

import java.util.Optional;

/**
 * A negative response code. Unknown numbers survive. Source: unchecked (ISO 14229-1, annex of response codes).
 *
 * @param number 0..255
 */
public record ResponseCode(int number) {
    /** The codes that this project sends or explains, with a sentence and what to do. */
    public enum Known {
        GENERAL_REJECT(0x10, "it refuses without a reason", "Scan again; if it stays, look at the trace."),
        SERVICE_NOT_SUPPORTED(0x11, "it does not know this service", "Check that the pack fits this module."),
        SUB_FUNCTION_NOT_SUPPORTED(0x12, "it does not know this sub-function", "Check that the pack fits this module."),
        INCORRECT_MESSAGE_LENGTH(0x13, "the request has a wrong length", "Check that the pack fits this module."),
        RESPONSE_TOO_LONG(0x14, "its answer would be too long", "Ask for less at once."),
        BUSY_REPEAT_REQUEST(0x21, "it is busy", "Wait some seconds and try again."),
        CONDITIONS_NOT_CORRECT(0x22, "its conditions are not met", "Check key, doors and engine, then try again."),
        REQUEST_SEQUENCE_ERROR(0x24, "the request is out of order", "Start this step again."),
        REQUEST_OUT_OF_RANGE(0x31, "it does not have what was asked for", "Check that the pack fits this software."),
        SECURITY_ACCESS_DENIED(0x33, "it is not unlocked", "Unlock it first."),
        AUTHENTICATION_REQUIRED(0x34, "the gateway asks for an authorisation", "Authorise at Unlock."),
        INVALID_KEY(0x35, "the key was wrong", "Check that the pack fits this module; don't try again and again."),
        EXCEEDED_ATTEMPTS(0x36, "too many wrong keys", "Wait as long as the module says, with the key on."),
        TIME_DELAY_NOT_EXPIRED(0x37, "its waiting time is not over", "Wait with the key on."),
        CERTIFICATE_TIME_INVALID(
                0x50, "the certificate is not valid at this time", "Get a new authorisation at Unlock."),
        CERTIFICATE_SIGNATURE_INVALID(
                0x51, "the certificate was not signed by its authority", "Get a new authorisation at Unlock."),
        CERTIFICATE_SCOPE_INVALID(
                0x54, "the certificate is for another vehicle", "Get an authorisation for this VIN at Unlock."),
        OWNERSHIP_FAILED(0x58, "the proof of ownership was wrong", "Get a new authorisation at Unlock."),
        UPLOAD_DOWNLOAD_NOT_ACCEPTED(0x70, "it accepts no download now", "Start the programming step again."),
        TRANSFER_DATA_SUSPENDED(0x71, "it stopped the transfer", "Recover the run."),
        GENERAL_PROGRAMMING_FAILURE(0x72, "writing its memory failed", "Keep the power on and recover the run."),
        WRONG_BLOCK_SEQUENCE_COUNTER(0x73, "a block came out of order", "Recover the run."),
        RESPONSE_PENDING(0x78, "it is still working", "Wait."),
        SUB_FUNCTION_NOT_SUPPORTED_IN_SESSION(0x7E, "not in this session", "Start this step again."),
        SERVICE_NOT_SUPPORTED_IN_SESSION(0x7F, "not in this session", "Start this step again."),
        ENGINE_IS_RUNNING(0x83, "the engine runs", "Stop the engine, key on."),
        ENGINE_IS_NOT_RUNNING(0x84, "the engine does not run", "Start the engine."),
        TEMPERATURE_TOO_HIGH(0x86, "it is too hot", "Let it cool down."),
        VOLTAGE_TOO_LOW(0x93, "its supply voltage is too low", "Raise the supply voltage.");

        private final int number;
        private final String words;
        private final String nextStep;

        Known(int number, String words, String nextStep) {
            this.number = number;
            this.words = words;
            this.nextStep = nextStep;
        }

        public int number() {
            return number;
        }

        public ResponseCode code() {
            return new ResponseCode(number);
        }
    }

    public ResponseCode {
        if (number < 0 || number > 0xFF) throw new IllegalArgumentException("number: " + number + " (expected 0..255)");
    }

    public Optional<Known> known() {
        for (Known known : Known.values()) {
            if (known.number == number) return Optional.of(known);
        }
        return Optional.empty();
    }

    public boolean is(Known known) {
        return known.number == number;
    }

    /** What the module means, as the end of a sentence that names the module. */
    public String words() {
        return known().map(k -> k.words).orElse("it refuses with code %02X".formatted(number));
    }

    public String nextStep() {
        return known().map(k -> k.nextStep).orElse("Scan again; if it stays, look at the trace.");
    }
}
