package codrane.core.planner;

import codrane.core.pack.Concern;
import codrane.core.pack.Feature;
import codrane.core.pack.MarketRules;
import codrane.core.pack.MarketRules.Says;
import codrane.core.plan.JobKind;
import codrane.core.plan.Judgement;
import codrane.core.plan.VehicleFacts;
import java.util.EnumSet;
import java.util.List;
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
        List<MarketRules.Rule> rules = rules(facts);
        String all = rules.stream().map(r -> r.cited() + ".").collect(Collectors.joining(" "));
        if (rules.stream().anyMatch(r -> r.says() == Says.REFUSED)) return Judgement.blocked("Refused. " + all);
        if (rules.isEmpty()) return Judgement.notNeeded(facts.law().market() + ": no rule is about this.");
        return Judgement.notNeeded(facts.law().market() + ": " + all);
    }

    static boolean approvalNeeded(VehicleFacts facts) {
        return rules(facts).stream().anyMatch(r -> r.says() == Says.APPROVAL);
    }

    /** Rules about what the job alters, other than those that say nothing is to be heeded. */
    public static List<MarketRules.Rule> rules(VehicleFacts facts) {
        return concerns(facts).stream()
                .flatMap(c -> facts.law().about(c).stream())
                .filter(r -> r.says() != Says.FREE)
                .toList();
    }

    /** The maker's own software and a vehicle's own coding alter no emissions; other values may. */
    private static Set<Concern> concerns(VehicleFacts facts) {
        Set<Concern> concerns = EnumSet.noneOf(Concern.class);
        facts.module().ifPresent(m -> concerns.addAll(facts.concerns(m.id())));
        concerns.remove(Concern.EMISSIONS);
        if (facts.kind() == JobKind.FIND_LOST_SETTING) return concerns;
        if (facts.kind().about() == JobKind.About.SETTINGS)
            facts.wishes().settings().forEach(s -> concerns.addAll(facts.concerns(s.module())));
        if (facts.kind() == JobKind.ENABLE_EQUIPMENT)
            facts.wishes()
                    .feature()
                    .flatMap(facts.pack().equipment()::feature)
                    .map(Feature::concerns)
                    .ifPresent(concerns::addAll);
        return concerns;
    }
}
