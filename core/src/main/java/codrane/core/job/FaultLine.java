package codrane.core.job;

import codrane.core.fault.Fault;
import codrane.core.fault.FaultLedger;
import codrane.core.fault.FaultLedger.Outcome;
import codrane.core.gateway.OperationMatrix.Gateway;
import codrane.core.pack.Pack;
import codrane.core.plan.Operation;
import codrane.core.triage.FaultTriage;
import java.util.List;
import java.util.Optional;

/**
 * A fault in words.
 *
 * @param moduleId for forms
 * @param outcome what became of it; empty before anything was done
 * @param note physical reason that was noted; empty when none was
 */
public record FaultLine(
        String moduleId,
        String module,
        String code,
        String title,
        String status,
        String cause,
        String next,
        Optional<Outcome> outcome,
        String note) {
    /** Whether it went away. */
    public boolean gone() {
        return outcome.equals(Optional.of(Outcome.GONE));
    }

    /** Before anything was done. */
    public static List<FaultLine> before(JobState state) {
        return state.faultsBefore().stream()
                .map(f -> line(state, f, Optional.empty()))
                .toList();
    }

    /** What became of each. */
    public static List<FaultLine> ledger(JobState state, Scan after) {
        boolean cleared = state.planHas(Operation.Kind.CLEAR);
        return FaultLedger.of(state.faultsBefore(), after.faults(), cleared).entries().stream()
                .map(e -> line(state, e.after().or(e::before).orElseThrow(), Optional.of(e.outcome())))
                .toList();
    }

    private static FaultLine line(JobState state, Fault fault, Optional<Outcome> outcome) {
        Pack pack = state.pack();
        Optional<Pack.FaultText> text = pack.fault(fault.module(), fault.code());
        Optional<String> note = state.faultNote(fault.module(), fault.code().text());
        boolean locked =
                !(state.gateway() instanceof Gateway.None) && !state.access().open();
        FaultTriage triage = FaultTriage.of(
                fault, new FaultTriage.Situation(text.map(Pack.FaultText::cause), note, outcome, locked));
        return new FaultLine(
                fault.module(),
                pack.module(fault.module()).title(),
                fault.code().text(),
                text.map(Pack.FaultText::title).orElse("Not described in the pack"),
                fault.statusText() + "; %02X: ".formatted(fault.status()) + String.join(", ", fault.bits()),
                triage.cause(),
                triage.next(),
                outcome,
                note.orElse(""));
    }
}
