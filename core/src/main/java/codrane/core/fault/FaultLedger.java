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
        CAME_BACK("came back"),
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

    /** @param cleared whether the fault memories were cleared in between: what is there all the same came back, or was not cleared */
    public static FaultLedger of(List<Fault> before, List<Fault> after, boolean cleared) {
        Map<String, Fault> then = byKey(before);
        Map<String, Fault> now = byKey(after);
        List<Entry> entries = new ArrayList<>();
        then.forEach((key, fault) -> entries.add(new Entry(
                fault.module(),
                fault.code(),
                outcome(fault, Optional.ofNullable(now.get(key)), cleared),
                Optional.of(fault),
                Optional.ofNullable(now.get(key)))));
        now.forEach((key, fault) -> {
            if (!then.containsKey(key)) {
                entries.add(new Entry(fault.module(), fault.code(), Outcome.NEW, Optional.empty(), Optional.of(fault)));
            }
        });
        return new FaultLedger(entries);
    }

    private static Outcome outcome(Fault before, Optional<Fault> now, boolean cleared) {
        if (now.isEmpty()) return Outcome.GONE;
        boolean untouched = !before.present() && now.get().status() == before.status();
        return cleared && !untouched ? Outcome.CAME_BACK : Outcome.STAYS;
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
