package codrane.core.job.hold;

import codrane.core.job.HoldNote;
import codrane.core.job.IdentityFinding;
import codrane.core.job.JobState;
import codrane.core.plan.HoldPoint;
import codrane.core.vin.VinComparison.Verdict;
import java.util.Optional;

/** The VINs agree, or a person accepted what differs: just that, and nothing that came later. */
final class IdentitySettled implements HoldRule {
    @Override
    public HoldPoint point() {
        return HoldPoint.IDENTITY_SETTLED;
    }

    @Override
    public boolean kept(JobState state) {
        return state.before()
                .map(scan -> state.matrix(scan).vins().verdict() == Verdict.ALL_AGREE)
                .orElse(false);
    }

    /** The same modules with the same VINs. */
    @Override
    public boolean holds(JobState state, HoldNote note) {
        Optional<IdentityFinding> finding = finding(state);
        if (finding.isEmpty()) return true;
        return finding.get().acceptable()
                && note.about()
                        .map(about -> about.equals(finding.get().about()))
                        .orElse(true);
    }

    /** The replaced part's other VIN may be accepted; that of another module is waived, with a reason, or nothing. */
    @Override
    public Optional<String> missing(JobState state) {
        Optional<String> unacceptable = missingToWaive(state);
        if (unacceptable.isPresent()) return unacceptable;
        return finding(state)
                .filter(f -> !f.unexpected().isEmpty())
                .map(f -> f.unexpectedWords()
                        + ", and this job does not write that: go on with a reason, or settle it first.");
    }

    @Override
    public Optional<String> missingToWaive(JobState state) {
        Optional<IdentityFinding> finding = finding(state);
        if (finding.isEmpty()) return Optional.of("Scan first.");
        return finding.filter(f -> !f.acceptable())
                .map(f -> f.vins().sentence() + " Nothing is written then, whoever says so.");
    }

    @Override
    public Optional<String> about(JobState state) {
        return finding(state).map(IdentityFinding::about);
    }

    private static Optional<IdentityFinding> finding(JobState state) {
        return state.before().map(scan -> IdentityFinding.of(state, scan));
    }
}
