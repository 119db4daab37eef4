package codrane.core.fault;

import java.util.List;
import java.util.stream.IntStream;

/**
 * A fault as a module reported it.
 *
 * @param status the status octet of ISO 14229-1, 0..255: bit 0 test failed, bit 3 confirmed
 */
public record Fault(String module, FaultCode code, int status) {
    private static final List<String> BITS = List.of(
            "test failed",
            "failed this cycle",
            "pending",
            "confirmed",
            "not tested since clear",
            "failed since clear",
            "not tested this cycle",
            "lamp asked for");

    public boolean present() {
        return (status & 0x01) != 0;
    }

    public boolean confirmed() {
        return (status & 0x08) != 0;
    }

    /** Names of the status bits that are set, lowest first. Source: unchecked (ISO 14229-1). */
    public List<String> bits() {
        return IntStream.range(0, 8)
                .filter(bit -> (status >> bit & 1) != 0)
                .mapToObj(BITS::get)
                .toList();
    }

    /** The status in words. */
    public String statusText() {
        if (present()) return "present now";
        return confirmed() ? "stored, not present" : "not confirmed";
    }
}
