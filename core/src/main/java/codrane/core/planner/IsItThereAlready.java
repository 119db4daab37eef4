package codrane.core.planner;

import codrane.core.pack.Feature;
import codrane.core.plan.Judgement;
import codrane.core.plan.SettingChange;
import codrane.core.plan.VehicleFacts;
import java.util.List;
import java.util.stream.Collectors;

/** Is it already there? Looked for before anything is enabled. */
final class IsItThereAlready implements Rule {
    @Override
    public String id() {
        return "is-it-there-already";
    }

    @Override
    public Judgement judge(VehicleFacts facts, Draft draft) {
        return switch (facts.kind().about()) {
            case SETTINGS -> settings(facts);
            case FEATURE -> feature(facts);
            case ORDER -> order(facts);
            case MODULE, PART -> beside(facts);
            case VEHICLE, TOOL -> Judgement.notNeeded("Nothing is enabled.");
        };
    }

    private static Judgement settings(VehicleFacts facts) {
        List<SettingChange> wished = facts.wishes().settings();
        if (wished.isEmpty()) return Judgement.notNeeded("Nothing was chosen.");
        boolean there = wished.stream().allMatch(s -> s.from().equals(s.to()));
        return there
                ? Judgement.blocked(
                        "It is there already: every chosen setting has its value. Nothing is to be written.")
                : Judgement.notNeeded("What is wanted is not there yet.");
    }

    private static Judgement feature(VehicleFacts facts) {
        List<Feature> asked = facts.askedFeatures();
        if (asked.isEmpty()) return Judgement.notNeeded("Nothing was chosen.");
        List<Feature> off = asked.stream().filter(f -> !isOn(facts, List.of(f))).toList();
        boolean one = asked.size() == 1;
        if (isOn(facts, asked))
            return Judgement.blocked(
                    (one ? "It is enabled already: " : "They are enabled already: ") + Feature.titles(asked)
                            + (one ? " is" : " are") + " coded. If it does not work, that is a fault to be found.");
        String looks = off.stream()
                .map(Feature::lookFirst)
                .filter(look -> !look.isEmpty())
                .distinct()
                .collect(Collectors.joining("; "));
        String there =
                Feature.titles(asked.stream().filter(f -> !off.contains(f)).toList());
        return Judgement.notNeeded((there.isEmpty() ? "" : "On already: " + there + ". ")
                + (looks.isEmpty()
                        ? "Look at the vehicle's own menu and at unlit controls first."
                        : "Look first: " + looks + "."));
    }

    private static boolean isOn(VehicleFacts facts, List<Feature> features) {
        return EnableFeature.changes(facts, features).stream()
                .allMatch(c -> !c.from().isEmpty() && c.from().equals(c.to()));
    }

    /** What is there already beside other work does not hold that up. */
    private static Judgement beside(VehicleFacts facts) {
        if (facts.askedFeatures().isEmpty()) return Judgement.notNeeded("Nothing is enabled.");
        return Judgement.notNeeded(feature(facts).reason());
    }

    private static Judgement order(VehicleFacts facts) {
        if (facts.wishes().order().empty()) return Judgement.notNeeded("Nothing was chosen.");
        return Judgement.notNeeded("Look at the part itself first: plugged in, and with the number on its label.");
    }
}
