package codrane.core.planner;

import codrane.core.pack.PackModule;
import codrane.core.plan.Judgement;
import codrane.core.plan.VehicleFacts;

/** A silent module is neither programmed nor coded. */
final class PartMustAnswer implements Rule {
    @Override
    public String id() {
        return "part-must-answer";
    }

    @Override
    public Judgement judge(VehicleFacts facts, Draft draft) {
        if (!facts.kind().namesModule()) return Judgement.notNeeded("The job is about no single module.");
        if (facts.module().isEmpty()) return Judgement.blocked("Which module is it? Say so at Intake.");
        PackModule module = facts.module().get();
        if (facts.moduleAnswer().answers()) return Judgement.notNeeded(module.title() + " answers.");
        return Judgement.blocked(
                module.title() + " does not answer: check that it is plugged in and supplied, then scan again."
                        + " A blank one is asked by hand at Identify.");
    }
}
