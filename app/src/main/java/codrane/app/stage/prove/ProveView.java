package codrane.app.stage.prove;

import codrane.app.web.LedgerView;
import codrane.app.web.MatrixView;
import codrane.core.job.JobState;
import codrane.core.job.Scan;
import java.util.Optional;

/** The page of Prove. */
public record ProveView(Optional<Fresh> fresh) {
    /** A scan from after the run. */
    public record Fresh(String when, LedgerView ledger, MatrixView matrix) {}

    static ProveView of(JobState state) {
        return new ProveView(
                state.after().filter(scan -> state.before().isPresent()).map(scan -> fresh(state, scan)));
    }

    private static Fresh fresh(JobState state, Scan scan) {
        return new Fresh(
                "Fresh scan: " + state.now().dayAndTime(scan.takenAt()) + ", by " + scan.takenBy() + ".",
                LedgerView.of(state, scan),
                MatrixView.of(state.matrix(scan)));
    }
}
