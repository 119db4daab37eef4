package codrane.core.plan;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * What a new plan has that the one before had not, and why.
 *
 * @param lines in the order of the plan, what went out last
 * @param reasons rules that say something else than before
 */
public record PlanChange(List<Line> lines, List<Reason> reasons) {
    /** What became of an operation. */
    public enum Kind {
        ADDED("new"),
        REMOVED("gone"),
        CHANGED("changed");

        private final String words;

        Kind(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** @param why of the operation, or why it was in the plan */
    public record Line(Kind kind, String title, boolean writes, String why) {}

    public record Reason(String rule, String was, String is) {}

    public PlanChange {
        lines = List.copyOf(lines);
        reasons = List.copyOf(reasons);
    }

    public static PlanChange of(Plan before, Plan after) {
        Map<String, Operation> was = byKey(before);
        Map<String, Operation> is = byKey(after);
        List<Line> lines = new ArrayList<>();
        is.forEach((key, operation) -> {
            if (!was.containsKey(key)) lines.add(line(Kind.ADDED, operation));
            else if (!was.get(key).equals(operation)) lines.add(line(Kind.CHANGED, operation));
        });
        was.forEach((key, operation) -> {
            if (!is.containsKey(key)) lines.add(line(Kind.REMOVED, operation));
        });
        return new PlanChange(lines, reasons(before, after));
    }

    private static Map<String, Operation> byKey(Plan plan) {
        Map<String, Operation> byKey = new LinkedHashMap<>();
        plan.operations().forEach(o -> byKey.put(o.key(), o));
        return byKey;
    }

    private static Line line(Kind kind, Operation operation) {
        return new Line(kind, operation.title(), operation.kind().writes(), String.join(" ", operation.reasons()));
    }

    private static List<Reason> reasons(Plan before, Plan after) {
        Map<String, String> was = new LinkedHashMap<>();
        before.decisions().forEach(d -> was.put(d.rule(), d.judgement().reason()));
        return after.decisions().stream()
                .filter(d -> !d.judgement().reason().equals(was.getOrDefault(d.rule(), "")))
                .map(d -> new Reason(
                        d.rule(), was.getOrDefault(d.rule(), ""), d.judgement().reason()))
                .toList();
    }

    public boolean empty() {
        return lines.isEmpty() && reasons.isEmpty();
    }
}
