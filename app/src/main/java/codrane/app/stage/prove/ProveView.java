package codrane.app.stage.prove;

import codrane.app.web.LedgerView;
import codrane.app.web.MatrixView;
import codrane.app.web.PairingPicture;
import codrane.core.job.JobState;
import codrane.core.job.Scan;
import codrane.core.job.stage.ProveStage;
import codrane.core.plan.JobKind;
import codrane.core.planner.WaysOn;
import java.util.List;
import java.util.Optional;

/**
 * The page of Prove.
 *
 * @param ways on when it does not work, besides the gentlest; none otherwise
 * @param sounds whether what was written can be heard, and measured
 */
public record ProveView(long number, Optional<Fresh> fresh, List<String> ways, boolean sounds) {
    /**
     * A scan from after the run.
     *
     * @param pairing of the immobiliser, when the job is about one of its modules
     */
    public record Fresh(String when, LedgerView ledger, MatrixView matrix, Optional<PairingPicture> pairing) {}

    static ProveView of(JobState state) {
        return new ProveView(
                state.job().number(),
                state.after().filter(scan -> state.before().isPresent()).map(scan -> fresh(state, scan)),
                ProveStage.waysOn(state).stream()
                        .skip(1)
                        .map(WaysOn.Way::sentence)
                        .toList(),
                state.job().kind() == JobKind.CHOOSE_VARIANT);
    }

    private static Fresh fresh(JobState state, Scan scan) {
        return new Fresh(
                "Fresh scan: " + state.now().dayAndTime(scan.takenAt()) + ", by " + scan.takenBy() + ".",
                LedgerView.of(state, scan),
                MatrixView.of(state.matrix(scan)),
                PairingPicture.of(state, scan));
    }
}
