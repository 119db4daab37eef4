package codrane.core.planner;

import codrane.core.pack.Feature;
import codrane.core.plan.Judgement;
import codrane.core.plan.SettingChange;
import codrane.core.plan.VehicleFacts;
import java.util.List;
import java.util.Optional;

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
        Optional<Feature> feature = facts.wishedFeature();
        if (feature.isEmpty()) return Judgement.notNeeded("Nothing was chosen.");
        List<SettingChange> changes = EnableFeature.changes(facts, feature.get());
        boolean known = changes.stream().noneMatch(c -> c.from().isEmpty());
        if (known && changes.stream().allMatch(c -> c.from().equals(c.to())))
            return Judgement.blocked("It is enabled already: " + feature.get().title()
                    + " is coded. If it does not work, that is a fault to be found.");
        String look = feature.get().lookFirst();
        return Judgement.notNeeded(
                look.isEmpty()
                        ? "Look at the vehicle's own menu and at unlit controls first."
                        : "Look first: " + look + ".");
    }

    /** What is there already beside other work does not hold that up. */
    private static Judgement beside(VehicleFacts facts) {
        if (facts.wishedFeature().isEmpty()) return Judgement.notNeeded("Nothing is enabled.");
        return Judgement.notNeeded(feature(facts).reason());
    }

    private static Judgement order(VehicleFacts facts) {
        if (facts.wishes().order().empty()) return Judgement.notNeeded("Nothing was chosen.");
        return Judgement.notNeeded("Look at the part itself first: plugged in, and with the number on its label.");
    }
}
