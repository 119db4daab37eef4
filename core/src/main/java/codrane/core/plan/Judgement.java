package codrane.core.plan;

import java.util.List;

/** What one rule says about the facts. */
public sealed interface Judgement {
    String reason();

    record Applies(String reason, List<Operation> operations) implements Judgement {
        public Applies {
            operations = List.copyOf(operations);
        }
    }

    /** The job can't go on as asked. */
    record Blocked(String reason) implements Judgement {}

    record NotNeeded(String reason) implements Judgement {}

    static Applies applies(String reason, Operation... operations) {
        return new Applies(reason, List.of(operations));
    }

    static NotNeeded notNeeded(String reason) {
        return new NotNeeded(reason);
    }

    static Blocked blocked(String reason) {
        return new Blocked(reason);
    }
}
