package codrane.core.planner;

import codrane.core.plan.Judgement;
import codrane.core.plan.School;
import codrane.core.plan.VehicleFacts;

/** A long read may have the engine running; a write never. */
final class SupportUnitOrEngine implements Rule {
    @Override
    public String id() {
        return "support-unit-or-engine";
    }

    @Override
    public Judgement judge(VehicleFacts facts, Draft draft) {
        if (draft.writes()) return Judgement.notNeeded("Writing: support unit on, engine off.");
        boolean running = facts.policy().is(School.LONG_READ, "engine-running");
        return Judgement.notNeeded((running
                        ? "Reading: the engine may run, only outdoors or with extraction. "
                        : "Reading: support unit on. ")
                + facts.policy().source(School.LONG_READ));
    }
}
