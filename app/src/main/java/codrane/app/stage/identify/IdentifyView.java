package codrane.app.stage.identify;

import codrane.app.job.Viewer;
import codrane.app.web.MatrixView;
import codrane.app.web.PairingPicture;
import codrane.core.job.FaultLine;
import codrane.core.job.JobState;
import codrane.core.job.Scan;
import java.util.List;
import java.util.Optional;

/**
 * The page of Identify.
 *
 * @param variants from which one is to be named; none when nothing is to be named
 * @param foreign that scans came from another vehicle, as a sentence; empty when none did
 */
public record IdentifyView(
        long number, List<String> variants, String foreign, Optional<Seen> seen, boolean mayNote, boolean mayAsk) {
    /**
     * What the last scan before anything was written shows.
     *
     * @param programmed modules that somebody else programmed, as sentences
     * @param expected while a part is not coded
     * @param pairing of the immobiliser, when the job is about one of its modules
     */
    public record Seen(
            String when,
            List<String> programmed,
            List<String> expected,
            MatrixView matrix,
            Optional<PairingPicture> pairing,
            List<FaultLine> faults) {}

    static IdentifyView of(JobState state, Signs signs, Viewer viewer) {
        long number = state.job().number();
        return new IdentifyView(
                number,
                state.intake().variant().isEmpty() ? state.variants() : List.of(),
                foreign(state.scans().foreign()),
                state.before().map(scan -> seen(state, scan, signs)),
                viewer.may(number, "fault-note"),
                viewer.may(number, "ask-module"));
    }

    private static String foreign(int scans) {
        if (scans == 0) return "";
        return scans + (scans == 1 ? " scan" : " scans")
                + " of this job came from another vehicle: what was read there counts for nothing, and stands in no"
                + " report.";
    }

    private static Seen seen(JobState state, Scan scan, Signs signs) {
        return new Seen(
                "As it came: " + state.now().dayAndTime(scan.takenAt()) + ", scanned by " + scan.takenBy()
                        + ". The last scan before anything is written; later ones stand under Prove.",
                signs.programmed(state, scan),
                signs.expected(state, scan),
                MatrixView.of(state.matrix(scan)),
                PairingPicture.of(state, scan),
                FaultLine.before(state));
    }
}
