package codrane.core.planner;

import codrane.core.fault.Fault;
import codrane.core.pack.Condition;
import codrane.core.pack.Pack.Cause;
import codrane.core.pack.Pack.FaultText;
import codrane.core.plan.Operation;
import codrane.core.plan.Operation.Kind;
import codrane.core.plan.Plan;
import codrane.core.plan.VehicleFacts;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.BiFunction;

/**
 * What becomes of each fault of the scan by a plan.
 *
 * @param by key of the operation by which it goes; empty when none
 * @param sentence why, in words
 */
public record FaultOutlook(Fault fault, String title, Outcome outcome, String by, String sentence) {
    /** What is to be expected of a fault. */
    public enum Outcome {
        GOES("goes with this plan"),
        MAY_STAY("may stay"),
        PHYSICAL("has a known physical cause"),
        REAL("is real");

        private final String words;

        Outcome(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** @param note the physical reason that somebody noted for a fault, by module and code */
    public static List<FaultOutlook> of(
            VehicleFacts facts, Plan plan, BiFunction<String, String, Optional<String>> note) {
        List<FaultOutlook> all = new ArrayList<>();
        facts.answers()
                .forEach((module, answer) -> answer.faults().forEach(fault -> {
                    Optional<FaultText> text = facts.pack().fault(module, fault.code());
                    String title = text.map(FaultText::title).orElse("Not known to this pack");
                    all.add(note.apply(module, fault.code().text())
                            .map(n -> new FaultOutlook(fault, title, Outcome.PHYSICAL, "", "Noted: " + n + "."))
                            .orElseGet(() -> judge(plan, fault, text)));
                }));
        return List.copyOf(all);
    }

    private static FaultOutlook judge(Plan plan, Fault fault, Optional<FaultText> text) {
        if (text.isEmpty())
            return new FaultOutlook(
                    fault,
                    "Not known to this pack",
                    Outcome.MAY_STAY,
                    "",
                    "The pack does not say where it comes from: what comes back after clearing is real.");
        String title = text.get().title();
        if (text.get().cause() == Cause.REAL)
            return new FaultOutlook(
                    fault, title, Outcome.REAL, "", "Clearing does not mend it: its cause is to be found.");
        Optional<Operation> by = remedy(plan, fault, text.get());
        return by.map(o -> new FaultOutlook(fault, title, Outcome.GOES, o.key(), "Goes by: " + o.title() + "."))
                .orElseGet(() -> new FaultOutlook(
                        fault,
                        title,
                        Outcome.MAY_STAY,
                        "",
                        "It " + text.get().cause().words() + ", and this plan does nothing about that."));
    }

    /** The last act of the plan after which it has no cause any more. */
    private static Optional<Operation> remedy(Plan plan, Fault fault, FaultText text) {
        String module = text.arises().map(Condition::module).orElse(fault.module());
        List<Kind> kinds = switch (text.cause()) {
            case CODING_MISSING -> List.of(Kind.RELEARN, Kind.WRITE_ORDER, Kind.WRITE_CODING);
            case IDENTITY -> List.of(Kind.PAIR, Kind.WRITE_VIN);
            case SOFTWARE -> List.of(Kind.PROGRAM);
            case PROGRAMMING_TRANSIENT -> List.of(Kind.CLEAR);
            case REAL -> List.<Kind>of();
        };
        boolean learns = text.arises()
                .filter(a -> a.when() == Condition.When.NOT_LEARNED)
                .isPresent();
        boolean pairs =
                text.arises().filter(a -> a.when() == Condition.When.NOT_PAIRED).isPresent();
        boolean coded = text.arises()
                .filter(a -> a.when() == Condition.When.CODING_BLANK || a.when() == Condition.When.CODING_FOR_ANOTHER)
                .isPresent();
        return plan.operations().stream()
                .filter(o -> !o.conditional() && kinds.contains(o.kind()))
                .filter(o -> o.module().isEmpty() || o.module().equals(module))
                .filter(o -> o.kind() != Kind.RELEARN || learns)
                .filter(o -> o.kind() != Kind.PAIR || pairs)
                .filter(o -> o.kind() != Kind.WRITE_ORDER || !coded && !learns)
                .filter(o -> !learns || o.kind() == Kind.RELEARN)
                .filter(o -> !pairs || o.kind() == Kind.PAIR)
                .findFirst();
    }
}
