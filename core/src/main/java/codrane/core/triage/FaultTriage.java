package codrane.core.triage;

import codrane.core.fault.Fault;
import codrane.core.fault.FaultLedger.Outcome;
import codrane.core.pack.Pack.Cause;
import codrane.core.text.Words;
import java.util.Optional;

/**
 * What a fault means, and what to do about it.
 *
 * @param cause its class, in words
 * @param next the next act, as a sentence; empty when nothing is to be done
 */
public record FaultTriage(String cause, String next) {
    /**
     * What is known when a fault is judged.
     *
     * @param cause as the pack has it; empty when the pack does not describe the fault
     * @param note physical reason that somebody noted
     * @param outcome what became of it; empty before anything was done
     * @param gatewayLocked whether a clear would be stopped
     */
    public record Situation(
            Optional<Cause> cause, Optional<String> note, Optional<Outcome> outcome, boolean gatewayLocked) {}

    public static FaultTriage of(Fault fault, Situation situation) {
        return new FaultTriage(cause(situation), next(fault, situation));
    }

    private static String cause(Situation situation) {
        if (situation.note().isPresent()) return "physical: " + situation.note().get();
        return situation.cause().map(Cause::words).orElse("unknown: the pack does not describe it");
    }

    private static String next(Fault fault, Situation situation) {
        return situation
                .outcome()
                .map(outcome -> afterwards(fault, outcome, situation))
                .orElseGet(() -> beforehand(fault, situation));
    }

    private static String beforehand(Fault fault, Situation situation) {
        if (situation.note().isPresent()) return "Leave it; look again at the end, with the reason removed.";
        if (situation.cause().isEmpty()) return "Diagnose it before a baseline is believed.";
        return switch (situation.cause().get()) {
            case CODING_MISSING, IDENTITY, SOFTWARE -> "No diagnosis until then.";
            case PROGRAMMING_TRANSIENT -> Words.capital(clear(situation));
            case REAL ->
                fault.present()
                        ? "Mend its cause first: while it is present, clearing does nothing."
                        : "Not present now: " + clear(situation) + " Then see whether it stays away.";
        };
    }

    private static String clear(Situation situation) {
        return situation.gatewayLocked() ? "unlock the gateway, then clear it." : "clear it after the work.";
    }

    private static String afterwards(Fault fault, Outcome outcome, Situation situation) {
        return switch (outcome) {
            case GONE -> "";
            case NEW ->
                situation.cause().equals(Optional.of(Cause.PROGRAMMING_TRANSIENT))
                        ? "Expected after the work: clear it, and read again."
                        : "It was not there before: find out what the work did.";
            case CAME_BACK ->
                situation.note().isPresent()
                        ? "Remove the reason that was noted, then clear again."
                        : "Its cause is there: diagnose it.";
            case STAYS ->
                situation.gatewayLocked()
                        ? "It was not cleared: the gateway is locked."
                        : fault.present()
                                ? "Its cause is there: diagnose it."
                                : "It was not cleared: clear it, and read again.";
        };
    }
}
