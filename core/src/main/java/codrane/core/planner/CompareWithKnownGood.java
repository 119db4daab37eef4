package codrane.core.planner;

import codrane.core.plan.JobKind;
import codrane.core.plan.Judgement;
import codrane.core.plan.Operation;
import codrane.core.plan.Operation.Kind;
import codrane.core.plan.VehicleFacts;

/** A baseline is worth most beside those of healthy vehicles of the same model. */
final class CompareWithKnownGood implements Rule {
    private static final int SECONDS = 60;

    @Override
    public String id() {
        return "compare-with-known-good";
    }

    @Override
    public Judgement judge(VehicleFacts facts, Draft draft) {
        if (facts.kind() != JobKind.BASELINE_ONLY)
            return Judgement.notNeeded("This job is not about a baseline alone.");
        String reason = "Live values that are far from those of healthy vehicles of this model are named.";
        return Judgement.applies(
                reason, Operation.of(Kind.PROVE, "", "Compare with known-good vehicles", SECONDS, reason));
    }
}
