package codrane.app.job;

import codrane.core.fault.Fault;
import codrane.core.fault.FaultLedger;
import codrane.core.fault.FaultLedger.Outcome;
import codrane.core.gateway.OperationMatrix.Gateway;
import codrane.core.job.Scan;
import codrane.core.pack.Pack;
import codrane.core.plan.Operation;
import codrane.core.triage.FaultTriage;
import java.util.List;
import java.util.Optional;

/**
 * A fault in words.
 *
 * @param moduleId for forms
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
        String outcome,
        String note) {
    /** Before anything was done. */
    static List<FaultLine> before(JobFacts facts) {
        return facts.faultsBefore().stream()
                .map(f -> line(facts, f, Optional.empty()))
                .toList();
    }

    /** What became of each. */
    static List<FaultLine> ledger(JobFacts facts, Scan after) {
        boolean cleared = facts.planHas(Operation.Kind.CLEAR);
        return FaultLedger.of(facts.faultsBefore(), after.faults(), cleared).entries().stream()
                .map(e -> line(facts, e.after().or(e::before).orElseThrow(), Optional.of(e.outcome())))
                .toList();
    }

    private static FaultLine line(JobFacts facts, Fault fault, Optional<Outcome> outcome) {
        Pack pack = facts.pack();
        Optional<Pack.FaultText> text = pack.fault(fault.module(), fault.code());
        Optional<String> note = facts.faultNote(fault.module(), fault.code().text());
        boolean locked =
                !(facts.gateway() instanceof Gateway.None) && !facts.access().open();
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
                outcome.map(Outcome::word).orElse(""),
                note.orElse(""));
    }
}
