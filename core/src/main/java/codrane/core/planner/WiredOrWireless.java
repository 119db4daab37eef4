package codrane.core.planner;

import codrane.core.plan.Judgement;
import codrane.core.plan.Operation;
import codrane.core.plan.Operation.Kind;
import codrane.core.plan.School;
import codrane.core.plan.VehicleFacts;
import java.util.List;

/** Wired or wireless: programming by cable unless the workshop decides otherwise; some modules insist. */
final class WiredOrWireless implements Rule {
    private static final int SECONDS = 180;

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
            return byCable(
                    facts,
                    "By cable: " + facts.titles(insist) + (insist.size() == 1 ? " takes" : " take")
                            + " no wireless writes.");
        School school = draft.has(Kind.PROGRAM) ? School.PROGRAMMING_LINK : School.CODING_LINK;
        boolean wired = facts.policy().is(school, "wired");
        if (wired) return byCable(facts, "By cable. " + facts.policy().source(school));
        return Judgement.notNeeded("Wireless is allowed; keep within a few metres. "
                + facts.policy().source(school));
    }

    /** Going over from wireless to the cable is a step, proved by an answer. */
    private static Judgement byCable(VehicleFacts facts, String reason) {
        if (facts.aids().place().wireless().filter(on -> on).isEmpty()) return Judgement.notNeeded(reason);
        return Judgement.applies(
                reason,
                Operation.of(Kind.SET_UP, "cable", "Go over from wireless to the cable", SECONDS, reason)
                        .prompting(List.of("Unpair, plug in, and have one request answered")));
    }
}
