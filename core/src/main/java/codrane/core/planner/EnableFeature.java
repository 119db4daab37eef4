package codrane.core.planner;

import codrane.core.pack.Feature;
import codrane.core.pack.PackModule;
import codrane.core.plan.JobKind;
import codrane.core.plan.Judgement;
import codrane.core.plan.Operation;
import codrane.core.plan.SettingChange;
import codrane.core.plan.VehicleFacts;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** K7: equipment that is fitted, but not coded: all its settings in all its modules together. */
final class EnableFeature implements Rule {
    @Override
    public String id() {
        return "enable-feature";
    }

    @Override
    public Judgement judge(VehicleFacts facts, Draft draft) {
        Optional<Feature> feature = facts.wishedFeature();
        if (feature.isEmpty())
            return Judgement.notNeeded(
                    facts.kind() == JobKind.ENABLE_EQUIPMENT ? "No equipment was chosen." : "No equipment is enabled.");
        if (feature.get().on().isEmpty())
            return Judgement.blocked(
                    "The pack does not say which values enable " + feature.get().title() + ".");
        Feature wanted = feature.get();
        for (Feature other : facts.pack().equipment().against(wanted))
            if (staysOn(facts, wanted, other))
                return Judgement.blocked(wanted.title() + " does not go with " + other.title()
                        + (whole(facts, other) ? ", which is on" : ", which is on in part")
                        + ": decide which of them stays.");
        List<Operation> operations = ChangeSettings.operations(facts, changes(facts, wanted));
        return operations.isEmpty()
                ? Judgement.notNeeded(wanted.title() + " is enabled already.")
                : new Judgement.Applies(why(facts, wanted), operations);
    }

    private static String why(VehicleFacts facts, Feature wanted) {
        String needs = facts.pack().equipment().withNeeds(wanted).stream()
                .filter(f -> !f.equals(wanted))
                .map(Feature::title)
                .collect(java.util.stream.Collectors.joining(", "));
        String settings = wanted.on().size() == 1 ? "one setting" : "several settings that belong together";
        return wanted.title() + " is " + settings + "."
                + (needs.isEmpty() ? "" : " It needs what comes with it: " + needs + ".");
    }

    /** The feature's settings, and those of what it needs, with the values that the wishes say are there now. */
    static List<SettingChange> changes(VehicleFacts facts, Feature feature) {
        List<SettingChange> changes = new ArrayList<>();
        facts.pack().equipment().on(feature).forEach((setting, value) -> changes.add(change(facts, setting, value)));
        return changes;
    }

    private static SettingChange change(VehicleFacts facts, Feature.Setting setting, String to) {
        PackModule module = facts.pack().holder(setting.layout()).orElseThrow();
        return new SettingChange(
                module.id(),
                setting.layout(),
                setting.field(),
                SettingChange.titleOf(facts.pack().layout(setting.layout()), setting.field()),
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
        return changes(facts, other).stream()
                .filter(c -> other.on().containsKey(new Feature.Setting(c.block(), c.field())))
                .allMatch(c -> c.from().equals(c.to()));
    }

    /** Whether a setting of it is on, and neither set by this nor to be turned off with it. */
    private static boolean staysOn(VehicleFacts facts, Feature wanted, Feature other) {
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
