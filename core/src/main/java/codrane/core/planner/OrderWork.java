package codrane.core.planner;

import codrane.core.order.OrderCoding;
import codrane.core.order.OrderEffect;
import codrane.core.pack.Equipment.VehicleOrder;
import codrane.core.pack.Feature.Setting;
import codrane.core.pack.PackModule;
import codrane.core.plan.SettingChange;
import codrane.core.plan.VehicleFacts;
import codrane.core.plan.Wishes;
import codrane.core.scan.CodingState;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;

/**
 * What a wished change of the vehicle order comes to.
 *
 * @param changes in words to be agreed to; values that nobody read are taken from the order as it was
 * @param coded modules to be coded, the part itself last
 * @param whole parts that come in, and are coded whole: what they hold is not this vehicle's
 */
public record OrderWork(OrderEffect changes, List<String> coded, Set<String> whole) {
    private static final Set<CodingState> NOT_ITS_OWN =
            EnumSet.of(CodingState.BLANK, CodingState.FOR_ANOTHER, CodingState.CHECK_WRONG);

    /** @param order of the facts' pack */
    public static OrderWork of(VehicleFacts facts, VehicleOrder order) {
        Wishes.OrderChange wish = facts.wishes().order();
        List<String> now = wish.now().isEmpty() ? wish.out() : wish.now();
        Map<Setting, String> held = held(facts);
        OrderEffect effect = OrderEffect.of(facts.pack(), now, wish.out(), wish.in(), held);
        if (wish.now().isEmpty()) effect = effect.knowing(held.keySet());
        List<String> codes = Stream.concat(wish.in().stream(), wish.out().stream())
                .distinct()
                .toList();
        Set<String> about = new LinkedHashSet<>();
        for (Setting setting : OrderCoding.about(order, codes))
            facts.pack().holder(setting.layout()).map(PackModule::id).ifPresent(about::add);
        Set<String> follow = new LinkedHashSet<>();
        Set<String> whole = new LinkedHashSet<>();
        for (String code : codes) {
            List<String> modules = order.follow().getOrDefault(code, List.of());
            for (String module : modules) {
                boolean part = wish.in().contains(code)
                        && module.equals(modules.getLast())
                        && !module.equals(facts.pack().vinReference());
                if (part && (another(facts, module) || facts.answer(module).bootOnly())) whole.add(module);
                boolean says = about.contains(module);
                if (!says || whole.contains(module) || effect.modules().contains(module)) follow.add(module);
            }
        }
        List<String> coded = new ArrayList<>(effect.modules());
        coded.removeAll(follow);
        coded.addAll(follow);
        return new OrderWork(effect, coded, whole);
    }

    private static boolean another(VehicleFacts facts, String module) {
        return NOT_ITS_OWN.contains(facts.coding(module));
    }

    /** Modules of the vehicle in which nothing can be changed, since what they hold is not this vehicle's. */
    List<String> foreign(VehicleFacts facts) {
        return coded.stream()
                .filter(module -> !whole.contains(module) && another(facts, module))
                .toList();
    }

    /** As read, where it is the vehicle's own. */
    private static Map<Setting, String> held(VehicleFacts facts) {
        Map<Setting, String> held = new LinkedHashMap<>();
        for (SettingChange setting : facts.wishes().settings())
            if (!setting.from().isEmpty() && facts.coding(setting.module()) == CodingState.AGREES)
                held.put(new Setting(setting.block(), setting.field()), setting.from());
        return held;
    }

    List<OrderEffect.Change> intended(String module) {
        return changes.intended().stream()
                .filter(c -> c.module().equals(module))
                .toList();
    }

    List<OrderEffect.Change> sideEffects(String module) {
        return changes.sideEffects().stream()
                .filter(c -> c.module().equals(module))
                .toList();
    }
}
