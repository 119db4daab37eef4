package codrane.core.planner;

import codrane.core.order.OrderEffect;
import codrane.core.pack.Concern;
import codrane.core.pack.Equipment.VehicleOrder;
import codrane.core.pack.Feature;
import codrane.core.pack.PackModule;
import codrane.core.pack.Places;
import codrane.core.plan.JobKind;
import codrane.core.plan.SettingChange;
import codrane.core.plan.VehicleFacts;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;

/** What a job touches that can hurt or is watched by law: by the setting and the routine, not by the module around it. */
final class Touched {
    private Touched() {}

    /** All of it. */
    static Set<Concern> concerns(VehicleFacts facts) {
        Set<Concern> all = EnumSet.noneOf(Concern.class);
        by(facts).values().forEach(all::addAll);
        return all;
    }

    /** Concerns by what is touched, in words: a setting, a module, equipment. */
    static Map<String, Set<Concern>> by(VehicleFacts facts) {
        Map<String, Set<Concern>> by = new LinkedHashMap<>();
        facts.module().ifPresent(m -> by.put(m.title(), ofModule(facts, m)));
        wishes(facts, by);
        if (facts.kind().about() == JobKind.About.ORDER) order(facts, by);
        return by;
    }

    /** Concerns of chosen settings and equipment alone. */
    static Set<Concern> wished(VehicleFacts facts) {
        Map<String, Set<Concern>> by = new LinkedHashMap<>();
        wishes(facts, by);
        Set<Concern> all = EnumSet.noneOf(Concern.class);
        by.values().forEach(all::addAll);
        return all;
    }

    private static void wishes(VehicleFacts facts, Map<String, Set<Concern>> by) {
        facts.wished().forEach(s -> settings(facts, s, by));
        feature(facts, by);
    }

    /** Only who replaces a member of the immobiliser works on that; other work on it is work on its own function. */
    private static Set<Concern> ofModule(VehicleFacts facts, PackModule module) {
        Set<Concern> concerns = EnumSet.noneOf(Concern.class);
        concerns.addAll(facts.concerns(module.id()));
        if (!facts.kind().replaces()) concerns.remove(Concern.IMMOBILISER);
        concerns.remove(Concern.EMISSIONS); // the maker's own software and a vehicle's own coding alter none
        return concerns;
    }

    private static void settings(VehicleFacts facts, SettingChange change, Map<String, Set<Concern>> by) {
        boolean back = facts.kind() == JobKind.FIND_LOST_SETTING;
        for (SettingChange part : change.parts(facts.pack())) {
            Set<Concern> concerns = EnumSet.noneOf(Concern.class);
            concerns.addAll(ofSetting(facts, part.module(), part.block(), part.field()));
            if (back) concerns.remove(Concern.EMISSIONS); // as the vehicle was
            by.put("\"" + part.title() + "\"", concerns);
        }
    }

    static Set<Concern> ofSetting(VehicleFacts facts, String module, String block, String field) {
        return facts.pack()
                .setting(block, field)
                .concerns()
                .orElseGet(() -> facts.pack().modules().containsKey(module)
                        ? facts.pack().module(module).traits().concerns()
                        : Set.of());
    }

    private static void feature(VehicleFacts facts, Map<String, Set<Concern>> by) {
        facts.wishedFeatures().forEach(feature -> {
            by.put(feature.title(), feature.concerns());
            for (Feature.Setting on : feature.on().keySet())
                facts.pack()
                        .holder(on.layout())
                        .ifPresent(m -> by.put(
                                "\"" + Places.title(facts.pack(), on.layout(), on.field()) + "\"",
                                ofSetting(facts, m.id(), on.layout(), on.field())));
        });
    }

    private static void order(VehicleFacts facts, Map<String, Set<Concern>> by) {
        facts.newPart().ifPresent(m -> by.put(m.title(), ofModule(facts, m)));
        if (facts.pack().equipment().order().isEmpty()) return;
        VehicleOrder order = facts.pack().equipment().order().get();
        OrderWork work = OrderWork.of(facts, order);
        for (String id : work.coded()) {
            boolean named = work.intended(id).isEmpty() || work.whole().contains(id);
            if (named)
                by.put(
                        facts.pack().module(id).title(),
                        ofModule(facts, facts.pack().module(id)));
        }
        Stream.concat(work.changes().intended().stream(), work.changes().sideEffects().stream())
                .filter(c -> !work.whole().contains(c.module()))
                .forEach(c -> by.put("\"" + c.title() + "\"", derived(facts, c)));
    }

    /** A vehicle's own coding alters no emissions. */
    private static Set<Concern> derived(VehicleFacts facts, OrderEffect.Change change) {
        Set<Concern> concerns = EnumSet.noneOf(Concern.class);
        concerns.addAll(ofSetting(
                facts,
                change.module(),
                change.setting().layout(),
                change.setting().field()));
        concerns.remove(Concern.EMISSIONS);
        return concerns;
    }
}
