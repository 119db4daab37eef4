package codrane.core.planner;

import codrane.core.order.OrderCoding;
import codrane.core.pack.Equipment.VehicleOrder;
import codrane.core.pack.Feature.Setting;
import codrane.core.pack.OrderRule;
import codrane.core.pack.Places;
import codrane.core.plan.SettingChange;
import codrane.core.plan.VehicleFacts;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;

/** A setting that follows from the vehicle order: changed by name alone, it lasts until somebody codes from the order. */
final class OrderDecides {
    private OrderDecides() {}

    /** What a person should know before it is written, as sentences; none when the order says nothing of these settings. */
    static List<String> of(VehicleFacts facts, List<SettingChange> settings) {
        VehicleOrder order = facts.pack().equipment().order().orElse(null);
        if (order == null) return List.of();
        Set<Setting> decided = settings.stream()
                .flatMap(s -> s.parts(facts.pack()).stream())
                .map(s -> new Setting(s.block(), s.field()))
                .filter(s -> order.rules().stream().anyMatch(r -> r.setting().equals(s)))
                .collect(Collectors.toCollection(LinkedHashSet::new));
        if (decided.isEmpty()) return List.of();
        Set<Setting> others = new LinkedHashSet<>();
        decided.forEach(s -> others.addAll(OrderCoding.about(order, codes(order, s))));
        facts.wished().stream()
                .flatMap(s -> s.parts(facts.pack()).stream())
                .forEach(s -> others.remove(new Setting(s.block(), s.field())));
        facts.wishedFeatures().forEach(f -> others.removeAll(f.on().keySet()));
        String undone = "The vehicle order decides " + titles(facts, decided)
                + ", too: coding from it later sets what the order says.";
        return others.isEmpty()
                ? List.of(undone)
                : List.of(undone, "From the same codes of the order follows: " + places(facts, others) + ".");
    }

    /** Codes of the plainest rules of a setting. */
    private static Set<String> codes(VehicleOrder order, Setting setting) {
        List<OrderRule> rules =
                order.rules().stream().filter(r -> r.setting().equals(setting)).toList();
        int fewest = rules.stream().mapToInt(r -> r.when().codes().size()).min().orElse(0);
        return rules.stream()
                .filter(r -> r.when().codes().size() == fewest)
                .flatMap(r -> r.when().codes().stream())
                .collect(Collectors.toSet());
    }

    private static String titles(VehicleFacts facts, Set<Setting> settings) {
        return settings.stream().map(s -> title(facts, s)).collect(Collectors.joining(", "));
    }

    private static String title(VehicleFacts facts, Setting setting) {
        return "\"" + Places.title(facts.pack(), setting.layout(), setting.field()) + "\"";
    }

    private static String places(VehicleFacts facts, Set<Setting> settings) {
        return settings.stream()
                .map(s -> title(facts, s)
                        + facts.pack()
                                .holder(s.layout())
                                .map(m -> " in the " + m.lowerTitle())
                                .orElse(""))
                .collect(Collectors.joining(", "));
    }
}
