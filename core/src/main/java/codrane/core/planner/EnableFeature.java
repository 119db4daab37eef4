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
import java.util.Map;
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
        List<SettingChange> changes = changes(facts, feature.get());
        List<SettingChange> excluded = excluded(facts, feature.get());
        if (!excluded.isEmpty())
            return Judgement.blocked(feature.get().title() + " does not go with "
                    + String.join(", ", excludedTitles(facts, feature.get()))
                    + ", which is on (" + excluded.getFirst().title() + "): decide which of them stays.");
        List<Operation> operations = ChangeSettings.operations(facts, changes);
        return operations.isEmpty()
                ? Judgement.notNeeded(feature.get().title() + " is enabled already.")
                : new Judgement.Applies(
                        feature.get().title() + " is several settings that belong together.", operations);
    }

    /** The feature's settings with the values that the wishes say are there now. */
    static List<SettingChange> changes(VehicleFacts facts, Feature feature) {
        List<SettingChange> changes = new ArrayList<>();
        for (Map.Entry<Feature.Setting, String> on : feature.on().entrySet())
            changes.add(change(facts, on.getKey(), on.getValue()));
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

    /** Settings of excluded features that are on. */
    private static List<SettingChange> excluded(VehicleFacts facts, Feature feature) {
        List<SettingChange> on = new ArrayList<>();
        for (String other : feature.excludes())
            for (SettingChange change :
                    changes(facts, facts.pack().equipment().feature(other).orElseThrow()))
                if (change.from().equals(change.to())) on.add(change);
        return on;
    }

    private static List<String> excludedTitles(VehicleFacts facts, Feature feature) {
        return feature.excludes().stream()
                .sorted()
                .map(id -> facts.pack().equipment().feature(id).orElseThrow().title())
                .toList();
    }
}
