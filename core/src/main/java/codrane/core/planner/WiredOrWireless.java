package codrane.core.planner;

import codrane.core.plan.Judgement;
import codrane.core.plan.Operation.Kind;
import codrane.core.plan.School;
import codrane.core.plan.VehicleFacts;
import java.util.List;

/** Wired or wireless: programming by cable unless the workshop decides otherwise; some modules insist. */
final class WiredOrWireless implements Rule {
    @Override
    public String id() {
        return "wired-or-wireless";
    }

    @Override
    public Judgement judge(VehicleFacts facts, Draft draft) {
        if (!draft.writes()) return Judgement.notNeeded("Nothing is written: wireless is enough for reading.");
        List<String> insist = draft.writtenModules().stream()
                .filter(m -> facts.pack().module(m).traits().wiredOnly())
                .toList();
        if (!insist.isEmpty())
            return Judgement.notNeeded("By cable: " + facts.titles(insist) + " takes no wireless writes.");
        School school = draft.has(Kind.PROGRAM) ? School.PROGRAMMING_LINK : School.CODING_LINK;
        boolean wired = facts.policy().is(school, "wired");
        return Judgement.notNeeded((wired ? "By cable. " : "Wireless is allowed; keep within a few metres. ")
                + facts.policy().source(school));
    }
}
