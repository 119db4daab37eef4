package codrane.core.fault;

/**
 * A fault as a module reported it.
 *
 * @param status the status octet of ISO 14229-1, 0..255: bit 0 test failed, bit 3 confirmed
 */
public record Fault(String module, FaultCode code, int status) {
    public boolean present() {
        return (status & 0x01) != 0;
    }

    public boolean confirmed() {
        return (status & 0x08) != 0;
    }

    /** The status in words. */
    public String statusText() {
        if (present()) return "present now";
        return confirmed() ? "stored, not present" : "not confirmed";
    }
}
