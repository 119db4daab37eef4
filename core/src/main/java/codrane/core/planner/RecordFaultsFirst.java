package codrane.core.planner;

import codrane.core.plan.JobKind;
import codrane.core.plan.Judgement;
import codrane.core.plan.Operation;
import codrane.core.plan.Operation.Kind;
import codrane.core.plan.VehicleFacts;

final class RecordFaultsFirst implements Rule {
    @Override
    public String id() {
        return "record-faults-first";
    }

    @Override
    public Judgement judge(VehicleFacts facts, Draft draft) {
        if (facts.kind() == JobKind.READY_TOOL) return Judgement.notNeeded("No vehicle is worked on.");
        String reason = "Faults are written down before anything can clear them.";
        int seconds = Seconds.scan(facts);
        return Judgement.applies(reason, Operation.of(Kind.SCAN, "", "Scan all modules", seconds, reason));
    }
}
