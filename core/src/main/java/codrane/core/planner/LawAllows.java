package codrane.core.planner;

import codrane.core.pack.Concern;
import codrane.core.pack.MarketRules;
import codrane.core.pack.MarketRules.Says;
import codrane.core.plan.Judgement;
import codrane.core.plan.VehicleFacts;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;

/** May it be done at all? What the market's rules say about what this job alters; each with its date and source. */
public final class LawAllows implements Rule {
    LawAllows() {}

    @Override
    public String id() {
        return "law-allows";
    }

    @Override
    public Judgement judge(VehicleFacts facts, Draft draft) {
        if (!draft.writes()) return Judgement.notNeeded("Nothing is written.");
        if (facts.law().market().isEmpty())
            return Judgement.notNeeded("No market's rules are at hand: ask what local law says.");
        for (Map.Entry<String, Set<Concern>> touched : Touched.by(facts).entrySet())
            for (MarketRules.Rule rule : rules(facts, touched.getValue()))
                if (rule.says() == Says.REFUSED)
                    return Judgement.blocked("Refused for " + touched.getKey() + ": " + rule.cited() + ".");
        List<MarketRules.Rule> rules = rules(facts);
        if (rules.isEmpty()) return Judgement.notNeeded(facts.law().market() + ": no rule is about this.");
        String all = rules.stream().map(r -> r.cited() + ".").collect(Collectors.joining(" "));
        return Judgement.notNeeded(facts.law().market() + ": " + all);
    }

    static boolean approvalNeeded(VehicleFacts facts) {
        return rules(facts).stream().anyMatch(r -> r.says() == Says.APPROVAL);
    }

    /** Rules about what the job alters, other than those that say nothing is to be heeded. */
    public static List<MarketRules.Rule> rules(VehicleFacts facts) {
        return rules(facts, Touched.concerns(facts));
    }

    private static List<MarketRules.Rule> rules(VehicleFacts facts, Set<Concern> concerns) {
        return concerns.stream()
                .flatMap(c -> facts.law().about(c).stream())
                .filter(r -> r.says() != Says.FREE)
                .toList();
    }
}
