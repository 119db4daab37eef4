package codrane.core.planner;

import codrane.core.pack.MarketRules;
import codrane.core.pack.MarketRules.Says;
import codrane.core.plan.VehicleFacts;
import java.util.Comparator;
import java.util.Optional;

/** What the market's law says of changing one setting: of the setting itself, not of the module around it. */
public final class SettingLaw {
    private SettingLaw() {}

    /** The strictest rule about it; empty when it is free, or no rules are at hand. */
    public static Optional<MarketRules.Rule> of(VehicleFacts facts, String module, String block, String field) {
        return Touched.ofSetting(facts, module, block, field).stream()
                .flatMap(concern -> facts.law().about(concern).stream())
                .filter(rule -> rule.says() != Says.FREE)
                .max(Comparator.comparing(MarketRules.Rule::says));
    }
}
