package codrane.core.planner;

import codrane.core.plan.JobKind;
import codrane.core.plan.Judgement;
import codrane.core.plan.Operation;
import codrane.core.plan.Operation.Kind;
import codrane.core.plan.VehicleFacts;

final class BaselineBeforeWriting implements Rule {
    @Override
    public String id() {
        return "baseline-before-writing";
    }

    @Override
    public Judgement judge(VehicleFacts facts, Draft draft) {
        if (facts.kind() == JobKind.READY_TOOL) return Judgement.notNeeded("No vehicle is worked on.");
        String reason = facts.kind() == JobKind.BASELINE_ONLY
                ? "This job is the baseline."
                : "What a write could lose is stored first.";
        int seconds = Seconds.baseline(facts);
        return Judgement.applies(reason, Operation.of(Kind.BASELINE, "", "Store a baseline", seconds, reason));
    }
}
