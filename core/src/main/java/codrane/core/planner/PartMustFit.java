package codrane.core.planner;

import codrane.core.pack.PackModule;
import codrane.core.part.PartNumber;
import codrane.core.plan.Judgement;
import codrane.core.plan.School;
import codrane.core.plan.VehicleFacts;

/** The replacing part against the fitted one, by number. */
final class PartMustFit implements Rule {
    @Override
    public String id() {
        return "part-must-fit";
    }

    @Override
    public Judgement judge(VehicleFacts facts, Draft draft) {
        if (!facts.kind().replaces() || facts.module().isEmpty()) return Judgement.notNeeded("Nothing was replaced.");
        PackModule module = facts.module().get();
        if (facts.part().offered().isEmpty())
            return Judgement.notNeeded("The part's number is not known yet: it is compared at Prepare.");
        String fitted = facts.part().fitted().isEmpty()
                ? module.parts().fitted()
                : facts.part().fitted();
        PartNumber.Verdict verdict = PartNumber.compare(
                fitted, facts.part().offered(), module.parts().numbering());
        return switch (verdict.fit()) {
            case SAME, ACCEPTED_SUFFIX, SUCCESSOR -> Judgement.notNeeded(verdict.reason());
            case PREDECESSOR ->
                Judgement.notNeeded(verdict.reason() + " Its software is judged by what the vehicle needs.");
            case ASK_THE_PARTS_DESK ->
                facts.policy().is(School.PART, "parts-desk-agreed")
                        ? Judgement.notNeeded(
                                verdict.reason() + " " + facts.policy().source(School.PART))
                        : Judgement.blocked(verdict.reason() + " Ask the parts desk first.");
            case DOES_NOT_FIT -> Judgement.blocked(verdict.reason() + " It is not written to.");
        };
    }
}
