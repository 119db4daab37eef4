package codrane.core.job.hold;

import codrane.core.baseline.BaselineFile;
import codrane.core.baseline.BaselineSummary;
import codrane.core.job.JobState;
import codrane.core.job.Scan;
import codrane.core.pack.PackModule.Ident;
import codrane.core.plan.HoldPoint;
import java.util.Optional;

/** Everything readable is stored, and it shows the parts that are in the vehicle now. */
final class BaselineStored implements HoldRule {
    @Override
    public HoldPoint point() {
        return HoldPoint.BASELINE_STORED;
    }

    @Override
    public boolean kept(JobState state) {
        return state.baseline().isPresent() && fits(state);
    }

    /** By serial numbers: those of the newest baseline from before the work against those of a later scan. */
    private static boolean fits(JobState state) {
        Optional<BaselineSummary> newest = state.baselined().last(BaselineSummary.Purpose.BEFORE);
        Optional<Scan> later = state.before()
                .filter(s -> newest.map(b -> s.takenAt().isAfter(b.takenAt())).orElse(false));
        if (later.isEmpty()) return true;
        BaselineFile file = state.baselined().files().apply(newest.orElseThrow().id());
        return file.modules().stream().allMatch(module -> samePart(module, later.get()));
    }

    private static boolean samePart(BaselineFile.Module module, Scan scan) {
        String then = module.identification().getOrDefault("serial", "").strip();
        String now = Optional.ofNullable(scan.readings().get(module.id()))
                .flatMap(r -> r.text(Ident.SERIAL))
                .orElse("");
        return then.isEmpty() || now.isEmpty() || then.equals(now);
    }
}
