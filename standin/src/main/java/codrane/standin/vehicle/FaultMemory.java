package codrane.standin.vehicle;

import codrane.core.fault.FaultCode;
import codrane.core.octets.Bytes;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;

/** Stored faults with their status octet. Faults that arise from state come back at once while the state lasts. */
final class FaultMemory {
    static final int PRESENT = 0x09;
    static final int STORED = 0x08;

    private final Map<Integer, Integer> statusByNumber = new TreeMap<>();

    void store(FaultCode code, int status) {
        statusByNumber.put(code.number(), status);
    }

    /** @param arising faults whose state holds now, of all that can arise in this module */
    void refresh(Set<FaultCode> canArise, Set<FaultCode> arising) {
        for (FaultCode code : canArise) {
            if (arising.contains(code)) statusByNumber.put(code.number(), PRESENT);
            else statusByNumber.computeIfPresent(code.number(), (number, status) -> STORED);
        }
    }

    void clear() {
        statusByNumber.clear();
    }

    /** Fault octets and status of each whose status meets the mask. */
    Bytes report(int mask) {
        Bytes report = Bytes.EMPTY;
        for (Map.Entry<Integer, Integer> fault : statusByNumber.entrySet()) {
            if ((fault.getValue() & mask) != 0) {
                report = report.plus(new FaultCode(fault.getKey()).octets()).plus(Bytes.of(fault.getValue()));
            }
        }
        return report;
    }

    /** By number. */
    Map<Integer, Integer> all() {
        return Map.copyOf(statusByNumber);
    }
}
