package codrane.core.planner;

import codrane.core.feature.FeatureSet;
import codrane.core.feature.FeatureSet.Solved;
import codrane.core.pack.Feature;
import codrane.core.pack.PackModule;
import codrane.core.pack.Places;
import codrane.core.plan.JobKind;
import codrane.core.plan.Judgement;
import codrane.core.plan.Operation;
import codrane.core.plan.SettingChange;
import codrane.core.plan.VehicleFacts;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;

/** K7: equipment that is fitted, but not coded: all its settings in all its modules together. */
final class EnableFeature implements Rule {
    @Override
    public String id() {
        return "enable-feature";
    }

    @Override
    public Judgement judge(VehicleFacts facts, Draft draft) {
        List<Feature> wanted = facts.askedFeatures();
        if (wanted.isEmpty())
            return Judgement.notNeeded(
                    facts.kind() == JobKind.ENABLE_EQUIPMENT ? "No equipment was chosen." : "No equipment is enabled.");
        for (Feature one : wanted)
            if (one.on().isEmpty())
                return Judgement.blocked("The pack does not say which values enable " + one.title() + ".");
        if (FeatureSet.of(facts.pack(), wanted.stream().map(Feature::id).toList())
                instanceof Solved.Conflict(List<Feature> least, String reason))
            return Judgement.blocked(reason + (least.size() > 1 ? " Decide which of them stays." : ""));
        for (Feature other : facts.pack().equipment().against(wanted))
            if (staysOn(facts, wanted, other))
                return Judgement.blocked(
                        facts.pack().equipment().against(other, wanted).title() + " does not go with " + other.title()
                                + (whole(facts, other) ? ", which is on" : ", which is on in part")
                                + ": decide which of them stays.");
        List<Operation> operations = ChangeSettings.operations(facts, changes(facts, wanted));
        return operations.isEmpty()
                ? Judgement.notNeeded(
                        Feature.titles(wanted) + (wanted.size() == 1 ? " is" : " are") + " enabled already.")
                : new Judgement.Applies(why(facts, wanted), operations);
    }

    private static String why(VehicleFacts facts, List<Feature> wanted) {
        String needs = Feature.titles(
                facts.wishedFeatures().stream().filter(f -> !wanted.contains(f)).toList());
        String settings = wanted.stream()
                .map(f -> f.title() + " is "
                        + (f.on().size() == 1 ? "one setting." : "several settings that belong together."))
                .collect(Collectors.joining(" "));
        String come = wanted.size() == 1 ? " It needs what comes with it: " : " They need what comes with them: ";
        return settings + (needs.isEmpty() ? "" : come + needs + ".");
    }

    /** The features' settings, and those of what they need, with the values that the wishes say are there now. */
    static List<SettingChange> changes(VehicleFacts facts, List<Feature> features) {
        List<SettingChange> changes = new ArrayList<>();
        facts.pack().equipment().on(features).forEach((setting, value) -> changes.add(change(facts, setting, value)));
        return changes;
    }

    private static SettingChange change(VehicleFacts facts, Feature.Setting setting, String to) {
        PackModule module = facts.pack().holder(setting.layout()).orElseThrow();
        return new SettingChange(
                module.id(),
                setting.layout(),
                setting.field(),
                Places.title(facts.pack(), setting.layout(), setting.field()),
                now(facts, setting),
                to,
                Optional.empty());
    }

    /** As it is now: told with the wishes, under the same block and field. */
    private static String now(VehicleFacts facts, Feature.Setting setting) {
        return facts.wishes().settings().stream()
                .filter(s -> s.block().equals(setting.layout()) && s.field().equals(setting.field()))
                .map(SettingChange::from)
                .findFirst()
                .orElse("");
    }

    private static boolean whole(VehicleFacts facts, Feature other) {
        return changes(facts, List.of(other)).stream()
                .filter(c -> other.on().containsKey(new Feature.Setting(c.block(), c.field())))
                .allMatch(c -> c.from().equals(c.to()));
    }

    /** Whether a setting of it is on, and neither set by this nor to be turned off with it. */
    private static boolean staysOn(VehicleFacts facts, List<Feature> wanted, Feature other) {
        return facts.pack().equipment().left(other, wanted).entrySet().stream().anyMatch(on -> {
            List<SettingChange> about = facts.wishes().settings().stream()
                    .filter(s -> s.block().equals(on.getKey().layout())
                            && s.field().equals(on.getKey().field()))
                    .toList();
            return about.stream().anyMatch(s -> s.from().equals(on.getValue()))
                    && about.stream().allMatch(s -> s.to().isEmpty() || s.to().equals(on.getValue()));
        });
    }
}
