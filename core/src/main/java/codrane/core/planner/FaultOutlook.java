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

    /** The act after which it has no cause any more. */
    private static Optional<Operation> remedy(Plan plan, Fault fault, FaultText text) {
        String module = text.arises().map(Condition::module).orElse(fault.module());
        Kind kind = text.arises().map(a -> kind(a.when())).orElseGet(() -> kind(text.cause()));
        return plan.operations().stream()
                .filter(o -> !o.conditional() && o.kind() == kind)
                .filter(o -> o.module().isEmpty() || o.module().equals(module))
                .findFirst();
    }

    /** What takes away the condition under which a fault arises. */
    private static Kind kind(Condition.When when) {
        return switch (when) {
            case VIN_FOREIGN, VIN_BLANK -> Kind.WRITE_VIN;
            case CODING_BLANK, CODING_FOR_ANOTHER -> Kind.WRITE_CODING;
            case SOFTWARE_BELOW, BOOT_ONLY -> Kind.PROGRAM;
            case NOT_PAIRED -> Kind.PAIR;
            case NOT_LEARNED -> Kind.RELEARN;
            case ORDER_DISAGREES -> Kind.WRITE_ORDER;
            case SILENT, NOT_MOUNTED -> Kind.SWAP;
        };
    }

    private static Kind kind(Cause cause) {
        return switch (cause) {
            case CODING_MISSING -> Kind.WRITE_CODING;
            case IDENTITY -> Kind.WRITE_VIN;
            case SOFTWARE -> Kind.PROGRAM;
            case PROGRAMMING_TRANSIENT, REAL -> Kind.CLEAR;
        };
    }
}
