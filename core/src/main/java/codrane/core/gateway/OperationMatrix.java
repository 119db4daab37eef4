package codrane.core.gateway;

import java.time.Instant;
import java.util.EnumSet;
import java.util.Set;

/** Which operation passes in which state of the gateway. Asked before every request that writes. */
public final class OperationMatrix {
    private static final Set<Operation> READS =
            EnumSet.of(Operation.READ_IDENTIFICATION, Operation.READ_FAULTS, Operation.READ_LIVE);

    private OperationMatrix() {}

    /** What a request does to the vehicle. */
    public enum Operation {
        READ_IDENTIFICATION("reading identification"),
        READ_FAULTS("reading faults"),
        READ_LIVE("reading live values"),
        CLEAR("clearing faults"),
        ACTUATE("actuating"),
        ROUTINE("running a routine"),
        CODE("coding"),
        PROGRAM("programming"),
        SECURITY("unlocking a module");

        private final String words;

        Operation(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** The gateway's state. */
    public sealed interface Gateway {
        record None() implements Gateway {}

        record Locked() implements Gateway {}

        /** @param until end of the authorisation, exclusive */
        record Authorised(Instant until) implements Gateway {}
    }

    /** Whether the operation may be sent. */
    public sealed interface Verdict {
        record Allowed(String reason) implements Verdict {}

        record Refused(String reason) implements Verdict {}
    }

    public static Verdict judge(Operation operation, Gateway gateway, Instant now) {
        if (READS.contains(operation)) return new Verdict.Allowed("Reading passes in every state.");
        return switch (gateway) {
            case Gateway.None() -> new Verdict.Allowed("This vehicle has no secure gateway.");
            case Gateway.Locked() ->
                new Verdict.Refused("The gateway is locked: " + operation.words() + " would be refused.");
            case Gateway.Authorised(Instant until) ->
                now.isBefore(until)
                        ? new Verdict.Allowed("The gateway is authorised.")
                        : new Verdict.Refused(
                                "The authorisation has ended: " + operation.words() + " would be refused.");
        };
    }
}
