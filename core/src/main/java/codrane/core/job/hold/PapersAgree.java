package codrane.core.job.hold;

import codrane.core.job.JobState;
import codrane.core.plan.HoldPoint;

/** Plate and papers name the same vehicle, if anybody looked at the papers. */
final class PapersAgree implements HoldRule {
    @Override
    public HoldPoint point() {
        return HoldPoint.PAPERS_AGREE;
    }

    @Override
    public boolean needed(JobState state) {
        return !state.intake().details().papersVin().isEmpty();
    }

    @Override
    public boolean kept(JobState state) {
        return state.intake().details().papersVin().equals(state.job().vin().text());
    }
}
