package codrane.core.fault;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Faults before and after the work, each with what became of it. */
public record FaultLedger(List<Entry> entries) {
    /** What became of one fault. */
    public enum Outcome {
        GONE("gone"),
        STAYS("stays"),
        NEW("new");

        private final String word;

        Outcome(String word) {
            this.word = word;
        }

        public String word() {
            return word;
        }
    }

    public record Entry(
            String module, FaultCode code, Outcome outcome, Optional<Fault> before, Optional<Fault> after) {}

    public FaultLedger {
        entries = List.copyOf(entries);
    }

    public static FaultLedger of(List<Fault> before, List<Fault> after) {
        Map<String, Fault> then = byKey(before);
        Map<String, Fault> now = byKey(after);
        List<Entry> entries = new ArrayList<>();
        then.forEach((key, fault) -> entries.add(new Entry(
                fault.module(),
                fault.code(),
                now.containsKey(key) ? Outcome.STAYS : Outcome.GONE,
                Optional.of(fault),
                Optional.ofNullable(now.get(key)))));
        now.forEach((key, fault) -> {
            if (!then.containsKey(key)) {
                entries.add(new Entry(fault.module(), fault.code(), Outcome.NEW, Optional.empty(), Optional.of(fault)));
            }
        });
        return new FaultLedger(entries);
    }

    public long count(Outcome outcome) {
        return entries.stream().filter(e -> e.outcome() == outcome).count();
    }

    private static Map<String, Fault> byKey(List<Fault> faults) {
        Map<String, Fault> map = new LinkedHashMap<>();
        faults.forEach(f -> map.put(f.module() + "/" + f.code(), f));
        return map;
    }
}
