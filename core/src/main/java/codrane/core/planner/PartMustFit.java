package codrane.core.planner;

import codrane.core.pack.PackModule;
import codrane.core.part.PartNumber;
import codrane.core.plan.Judgement;
import codrane.core.plan.PartCheck;
import codrane.core.plan.School;
import codrane.core.plan.VehicleFacts;
import java.util.Optional;

/** The replacing part against the fitted one, by number and model year. */
final class PartMustFit implements Rule {
    @Override
    public String id() {
        return "part-must-fit";
    }

    /** The parts desk agreed to this number, for this job. */
    private static boolean agreed(VehicleFacts facts) {
        String number = PartNumber.canonical(
                facts.part().offered().isBlank()
                        ? facts.part().told()
                        : facts.part().offered());
        return facts.policy()
                .overrule(School.PART)
                .filter(o -> o.answer().equals("parts-desk-agreed"))
                .filter(o ->
                        o.about().isBlank() || PartNumber.canonical(o.about()).equals(number))
                .isPresent();
    }

    @Override
    public Judgement judge(VehicleFacts facts, Draft draft) {
        Optional<PackModule> part = PartMustBeFree.judged(facts);
        if (part.isEmpty()) return Judgement.notNeeded("No part comes into the vehicle.");
        PartCheck check = PartCheck.of(facts, part.get());
        if (!check.yearFits()) return Judgement.blocked(check.year() + " No agreement about its number changes that.");
        if (check.verdict().isEmpty())
            return PartMustBeFree.staysForGood(facts, part.get())
                    ? Judgement.blocked("The VIN of the " + part.get().lowerTitle()
                            + " stays for good, and the part's number is not known: read it from its label first.")
                    : Judgement.notNeeded("The part's number is not known: read it from its label and compare it.");
        boolean agreed = agreed(facts);
        String desk = facts.policy().source(School.PART);
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
