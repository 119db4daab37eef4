package codrane.core.planner;

import codrane.core.plan.Judgement;
import codrane.core.plan.Operation;
import codrane.core.plan.Operation.Kind;
import codrane.core.plan.VehicleFacts;

final class ProveByReading implements Rule {
    @Override
    public String id() {
        return "prove-by-reading";
    }

    @Override
    public Judgement judge(VehicleFacts facts, Draft draft) {
        if (!draft.writes()) return Judgement.notNeeded("Nothing is written, so nothing is to be proved.");
        String reason = "Done is what a fresh scan reads back, not what a write reported.";
        int seconds = Seconds.scan(facts);
        return Judgement.applies(reason, Operation.of(Kind.PROVE, "", "Scan again and compare", seconds, reason));
    }
}
