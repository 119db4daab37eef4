package codrane.core.plan;

import codrane.core.pack.PackModule;

/** A silent part is neither programmed nor coded. */
final class PartMustAnswer implements Rule {
    @Override
    public String id() {
        return "part-must-answer";
    }

    @Override
    public Judgement judge(VehicleFacts facts) {
        if (facts.replacedModule().isEmpty()) {
            return facts.kind() == JobKind.REPLACE_MODULE
                    ? new Judgement.Blocked("Which module was replaced? Say so at Intake.")
                    : new Judgement.NotNeeded("Nothing was replaced.");
        }
        PackModule module = facts.replacedModule().get();
        if (!facts.replacedReading().answers()) {
            return new Judgement.Blocked(
                    module.title() + " does not answer: check that it is plugged in and supplied, then scan again.");
        }
        return new Judgement.NotNeeded(module.title() + " answers.");
    }
}
