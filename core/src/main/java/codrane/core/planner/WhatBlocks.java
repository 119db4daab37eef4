package codrane.core.planner;

import codrane.core.plan.Judgement;
import codrane.core.plan.Plan;
import java.util.Set;

/** On what a blocked plan hangs. */
public final class WhatBlocks {
    /** Rules that judge what was chosen, who works and where. */
    static final Set<String> OF_PEOPLE = Set.of(
            "battery-bears",
            "change-settings",
            "change-vehicle-order",
            "enable-feature",
            "interface-is-cool",
            "law-allows",
            "layout-of-software",
            "learn-keys",
            "online-where-needed",
            "part-must-fit",
            "value-allowed",
            "who-works");

    private WhatBlocks() {}

    /** Whether only people can mend it, by choosing otherwise or by another place: no other scan does. */
    public static boolean onlyPeople(Plan plan) {
        return plan.decisions().stream()
                .filter(d -> d.judgement() instanceof Judgement.Blocked)
                .allMatch(d -> OF_PEOPLE.contains(d.rule()));
    }
}
