package codrane.app.web;

import codrane.core.fault.FaultLedger;
import codrane.core.job.FaultLine;
import codrane.core.job.JobState;
import codrane.core.job.Scan;
import java.util.List;

/** Faults before and after, and what became of each. */
public record LedgerView(String caption, List<Row> rows) {
    /** @param mark id of the mark, and class of its colour */
    public record Row(
            String module, String code, String title, boolean loud, String mark, String outcome, String next) {}

    public static LedgerView of(JobState state, Scan after) {
        List<Row> rows =
                FaultLine.ledger(state, after).stream().map(LedgerView::row).toList();
        return new LedgerView(rows.isEmpty() ? "No faults before, none after." : "Faults before and after", rows);
    }

    /** Whether anything is left to do about one. */
    public boolean advises() {
        return rows.stream().anyMatch(row -> !row.next().isEmpty());
    }

    private static Row row(FaultLine line) {
        String noted = line.note().isEmpty() ? "" : "Noted: " + line.note() + ". ";
        return new Row(
                line.module(),
                line.code(),
                line.title(),
                !line.gone(),
                line.gone() ? "agrees" : "differs",
                line.outcome().map(FaultLedger.Outcome::word).orElse(""),
                noted + line.next());
    }
}
