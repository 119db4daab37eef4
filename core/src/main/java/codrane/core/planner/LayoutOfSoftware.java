package codrane.core.planner;

import codrane.core.baseline.PutBack;
import codrane.core.order.OrderEffect;
import codrane.core.pack.Feature.Setting;
import codrane.core.pack.LayoutVersion;
import codrane.core.pack.PackModule;
import codrane.core.plan.JobKind;
import codrane.core.plan.Judgement;
import codrane.core.plan.Operation.Kind;
import codrane.core.plan.SettingChange;
import codrane.core.plan.VehicleFacts;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Coding is written by the layout of the software that keeps it: where none is known, or it lacks the setting, not at all. */
final class LayoutOfSoftware implements Rule {
    @Override
    public String id() {
        return "layout-of-software";
    }

    @Override
    public Judgement judge(VehicleFacts facts, Draft draft) {
        for (String module : draft.modulesOf(Set.of(Kind.WRITE_CODING)))
            for (String block : facts.pack().module(module).blocks())
                if (!facts.pack().knows(block))
                    return Judgement.blocked("How software "
                            + facts.answer(module).software() + " of the "
                            + facts.pack().module(module).lowerTitle() + " keeps "
                            + facts.pack().layout(block).title() + " is not known; the pack knows it of "
                            + known(facts, block, Optional.empty()) + ". Nothing is written there.");
        for (Setting setting : wished(facts)) {
            boolean whole = setting.field().equals(PutBack.WHOLE);
            String having = known(facts, setting.layout(), Optional.of(setting.field()));
            if (whole || having.isEmpty()) continue; // every software of the pack keeps it so
            if (facts.pack().layout(setting.layout()).field(setting.field()).isEmpty())
                return Judgement.blocked(lacks(facts, draft, setting, having));
        }
        return Judgement.notNeeded("Every module's software keeps its coding in a layout that the pack knows.");
    }

    private static String lacks(VehicleFacts facts, Draft draft, Setting setting, String having) {
        PackModule module = facts.pack().holder(setting.layout()).orElseThrow();
        String then = draft.has(Kind.PROGRAM, module.id())
                ? facts.target(module)
                : facts.answer(module.id()).software();
        return "Software " + then + " of the " + module.lowerTitle() + " does not have \"" + title(facts, setting)
                + "\": it is there from software " + having + ".";
    }

    private static String title(VehicleFacts facts, Setting setting) {
        return facts.pack().versions().getOrDefault(setting.layout(), List.of()).stream()
                .flatMap(v -> v.layout().field(setting.field()).stream())
                .map(f -> f.title())
                .findFirst()
                .orElse(setting.field());
    }

    private static List<Setting> wished(VehicleFacts facts) {
        Stream<SettingChange> equipment = EnableFeature.changes(facts, facts.askedFeatures()).stream();
        Stream<Setting> named = Stream.concat(facts.wished().stream(), equipment)
                .filter(change -> !change.to().isEmpty())
                .map(change -> new Setting(change.block(), change.field()));
        return Stream.concat(named, ordered(facts)).distinct().toList();
    }

    /** Of which the wished options speak. */
    private static Stream<Setting> ordered(VehicleFacts facts) {
        if (facts.kind() != JobKind.RETROFIT) return Stream.of();
        return facts.pack().equipment().order().stream()
                .flatMap(order -> OrderWork.of(facts, order).changes().intended().stream())
                .map(OrderEffect.Change::setting);
    }

    /** Ranges of software with a known layout, in words; with a setting, of those that have it. */
    private static String known(VehicleFacts facts, String block, Optional<String> field) {
        return facts.pack().versions().getOrDefault(block, List.of()).stream()
                .filter(v -> field.isEmpty() || v.layout().field(field.get()).isPresent())
                .map(LayoutVersion::range)
                .collect(Collectors.joining(", "));
    }
}
