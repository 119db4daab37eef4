package codrane.core.order;

import codrane.core.pack.Equipment.VehicleOrder;
import codrane.core.pack.Feature.Setting;
import codrane.core.pack.OrderRule;
import java.util.Collection;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * What a vehicle order says of the modules' coding. Of the rules of a setting whose condition holds the most specific
 * counts, the one that speaks of the most codes; of equals the first in the pack.
 */
public final class OrderCoding {
    private OrderCoding() {}

    /** Target values by setting, in the pack's order; nothing of a setting about which no rule says anything. */
    public static Map<Setting, String> derive(VehicleOrder order, Collection<String> codes) {
        Map<Setting, String> values = new LinkedHashMap<>();
        for (OrderRule rule : order.rules())
            if (!values.containsKey(rule.setting()))
                value(order, rule.setting(), codes).ifPresent(value -> values.put(rule.setting(), value));
        return values;
    }

    private static Optional<String> value(VehicleOrder order, Setting setting, Collection<String> codes) {
        Optional<String> said = order.rules().stream()
                .filter(rule -> rule.setting().equals(setting) && rule.when().holds(codes))
                .max(Comparator.comparingInt(
                                (OrderRule rule) -> rule.when().codes().size())
                        .thenComparing(
                                Comparator.comparingInt(order.rules()::indexOf).reversed()))
                .map(OrderRule::to);
        return said.or(() -> order.rules().stream()
                .filter(rule -> rule.setting().equals(setting))
                .flatMap(rule -> rule.otherwise().stream())
                .findFirst());
    }

    /** Settings of which a rule speaks of one of the codes. */
    public static Set<Setting> about(VehicleOrder order, Collection<String> codes) {
        Set<Setting> settings = new LinkedHashSet<>();
        for (OrderRule rule : order.rules())
            if (rule.when().codes().stream().anyMatch(codes::contains)) settings.add(rule.setting());
        return settings;
    }
}
