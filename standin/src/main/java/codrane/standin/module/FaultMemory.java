package codrane.standin.module;

import static java.util.Objects.requireNonNull;

import codrane.core.fault.FaultCode;
import codrane.core.uds.UdsResponse.DtcAndRecord;
import codrane.core.uds.UdsResponse.DtcAndStatus;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;

/**
 * Stored faults. Those that arise from state come back at once while the state lasts. Each keeps how often it came and
 * the supply voltage of the first time.
 */
final class FaultMemory {
    /** Test failed, confirmed. */
    static final int PRESENT = 0x09;

    /** Confirmed. */
    static final int STORED = 0x08;

    /** The only snapshot and extended data record kept. */
    static final int RECORD = 0x01;

    private final Map<Integer, Fault> byNumber = new TreeMap<>();
    private double voltsNow = 12.6;
    private boolean setting = true;

    private record Fault(int status, int times, double volts) {}

    void store(FaultCode code, int status) {
        byNumber.put(code.number(), new Fault(status, 1, voltsNow));
    }

    /** @param on whether new faults are stored (ControlDTCSetting) */
    void setting(boolean on) {
        setting = on;
    }

    /** @param arising faults whose state holds now, of all that can arise in this module */
    void refresh(Set<FaultCode> canArise, Set<FaultCode> arising, double volts) {
        voltsNow = volts;
        for (FaultCode code : canArise) {
            if (arising.contains(code)) arises(code.number());
            else byNumber.computeIfPresent(code.number(), (n, f) -> new Fault(STORED, f.times(), f.volts()));
        }
    }

    private void arises(int number) {
        Fault known = byNumber.get(number);
        if (known == null && setting) byNumber.put(number, new Fault(PRESENT, 1, voltsNow));
        if (known == null || known.status() == PRESENT || !setting) return;
        byNumber.put(number, new Fault(PRESENT, Math.min(255, known.times() + 1), known.volts()));
    }

    void clear() {
        byNumber.clear();
    }

    /** @param group one fault's number; true for all that belong to it */
    boolean clear(int group) {
        return byNumber.remove(group) != null;
    }

    int count(int mask) {
        return (int)
                byNumber.values().stream().filter(f -> (f.status() & mask) != 0).count();
    }

    /** Each whose status meets the mask. */
    List<DtcAndStatus> report(int mask) {
        return byNumber.keySet().stream()
                .map(this::of)
                .filter(fault -> (fault.status() & mask) != 0)
                .toList();
    }

    /** With its status, 0 when it is not stored. */
    DtcAndStatus of(int number) {
        Fault fault = byNumber.get(number);
        return new DtcAndStatus(number, fault == null ? 0 : fault.status());
    }

    /** Each stored fault, with the record that it has. */
    List<DtcAndRecord> snapshots() {
        return byNumber.keySet().stream()
                .map(number -> new DtcAndRecord(number, RECORD))
                .toList();
    }

    boolean has(int number) {
        return byNumber.containsKey(number);
    }

    /** How often a stored fault came, 1..255. */
    int times(int number) {
        return requireNonNull(byNumber.get(number)).times();
    }

    /** Supply voltage when a stored fault came first, in tenths of a volt, 0..255. */
    int decivolts(int number) {
        return Math.clamp(Math.round(requireNonNull(byNumber.get(number)).volts() * 10), 0, 255);
    }

    /** Status by number. */
    Map<Integer, Integer> all() {
        Map<Integer, Integer> status = new TreeMap<>();
        byNumber.forEach((number, fault) -> status.put(number, fault.status()));
        return status;
    }
}
