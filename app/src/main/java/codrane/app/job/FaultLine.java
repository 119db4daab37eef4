package codrane.app.job;

import codrane.core.fault.Fault;
import codrane.core.fault.FaultLedger;
import codrane.core.pack.Pack;
import java.util.List;

/** A fault in words. */
public record FaultLine(String module, String code, String title, String status, String cause, String outcome) {
    static FaultLine of(Pack pack, Fault fault) {
        return line(pack, fault, "");
    }

    static List<FaultLine> of(Pack pack, FaultLedger ledger) {
        return ledger.entries().stream()
                .map(e -> line(
                        pack, e.after().or(e::before).orElseThrow(), e.outcome().word()))
                .toList();
    }

    private static FaultLine line(Pack pack, Fault fault, String outcome) {
        var text = pack.fault(fault.module(), fault.code());
        return new FaultLine(
                pack.module(fault.module()).title(),
                fault.code().text(),
                text.map(Pack.FaultText::title).orElse("Not described in the pack"),
                fault.statusText(),
                text.map(t -> t.cause().words()).orElse("cause unknown: diagnose it"),
                outcome);
    }
}
