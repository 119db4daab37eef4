package codrane.core.planner;

import codrane.core.part.PartNumber;
import codrane.core.plan.Judgement;
import codrane.core.plan.PartCheck;
import codrane.core.plan.School;
import codrane.core.plan.VehicleFacts;

/** The replacing part against the fitted one, by number and model year. */
final class PartMustFit implements Rule {
    @Override
    public String id() {
        return "part-must-fit";
    }

    @Override
    public Judgement judge(VehicleFacts facts, Draft draft) {
        if (!facts.kind().replaces() || facts.module().isEmpty()) return Judgement.notNeeded("Nothing was replaced.");
        PartCheck check = PartCheck.of(facts);
        boolean agreed = facts.policy().is(School.PART, "parts-desk-agreed");
        String desk = facts.policy().source(School.PART);
        if (!check.yearFits() && !agreed) return Judgement.blocked(check.year() + " Ask the parts desk first.");
        if (check.verdict().isEmpty())
            return Judgement.notNeeded("The part's number is not known: read it from its label and compare it.");
        PartNumber.Verdict verdict = check.verdict().get();
        return switch (verdict.fit()) {
            case SAME, ACCEPTED_SUFFIX, SUCCESSOR -> Judgement.notNeeded(verdict.reason());
            case PREDECESSOR ->
                Judgement.notNeeded(verdict.reason() + " Its software is judged by what the vehicle needs.");
            case ASK_THE_PARTS_DESK ->
                agreed
                        ? Judgement.notNeeded(verdict.reason() + " " + desk)
                        : Judgement.blocked(verdict.reason() + " Ask the parts desk first.");
            case DOES_NOT_FIT -> Judgement.blocked(verdict.reason() + " It is not written to.");
        };
    }
}
