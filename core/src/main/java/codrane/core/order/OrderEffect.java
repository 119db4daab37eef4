package codrane.core.order;

import codrane.core.coding.Field;
import codrane.core.pack.Equipment;
import codrane.core.pack.Equipment.VehicleOrder;
import codrane.core.pack.Feature.Setting;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * What a changed vehicle order does to the coding.
 *
 * @param codes of the order then
 * @param modules to be coded, in the pack's order
 * @param intended changes of settings whose rules speak of a changed code
 * @param sideEffects other changes in these modules: module and order disagreed before
 * @param silent changed codes of which no rule says anything
 * @param emptyFamilies families of which no code is left
 */
public record OrderEffect(
        List<String> codes,
        List<String> modules,
        List<Change> intended,
        List<Change> sideEffects,
        List<String> silent,
        List<String> emptyFamilies) {
    public OrderEffect {
        codes = List.copyOf(codes);
        modules = List.copyOf(modules);
        intended = List.copyOf(intended);
        sideEffects = List.copyOf(sideEffects);
        silent = List.copyOf(silent);
        emptyFamilies = List.copyOf(emptyFamilies);
    }

    /** @param from empty when nobody knows */
    public record Change(String module, Setting setting, String title, String from, String to) {
        public String words() {
            return "\"" + title + "\" " + (from.isEmpty() ? "becomes " + to : "from " + from + " to " + to);
        }
    }

    /**
     * @param now codes of the order as it is
     * @param held values as the modules hold them, as far as they are known; others are taken from the order as it is
     * @throws IllegalArgumentException when the pack knows no order
     */
    public static OrderEffect of(
            Pack pack, List<String> now, List<String> out, List<String> in, Map<Setting, String> held) {
        VehicleOrder order = pack.equipment()
                .order()
                .orElseThrow(() -> new IllegalArgumentException(pack.id() + " has no vehicle order"));
        List<String> then = new ArrayList<>(now);
        then.removeAll(out);
        in.stream().filter(code -> !then.contains(code)).forEach(then::add);
        Set<String> changed = new LinkedHashSet<>(out);
        changed.addAll(in);
        if (then.size() == now.size() && then.containsAll(now)) changed.clear(); // out and in again: nothing
        Map<Setting, String> before = new LinkedHashMap<>(OrderCoding.derive(order, now));
        before.putAll(held);
        Map<Setting, String> target = OrderCoding.derive(order, then);
        Set<Setting> about = OrderCoding.about(order, changed);
        List<Change> intended = changes(pack, about, before, target);
        Set<String> modules = new LinkedHashSet<>();
        intended.forEach(change -> modules.add(change.module()));
        Set<Setting> besides = new LinkedHashSet<>(target.keySet());
        besides.removeAll(about);
        besides.removeIf(setting -> !modules.contains(holder(pack, setting)) || !there(pack, setting));
        return new OrderEffect(
                then,
                inPackOrder(pack, modules),
                intended,
                changes(pack, besides, before, target),
                changed.stream()
                        .filter(code -> OrderCoding.about(order, List.of(code)).isEmpty())
                        .toList(),
                order.families().values().stream()
                        .filter(family -> family.lacking(then))
                        .map(Equipment.Family::id)
                        .sorted()
                        .toList());
    }

    /** The same without what nobody read: only of these settings is it known what they were. */
    public OrderEffect knowing(Set<Setting> read) {
        return new OrderEffect(
                codes, modules, knowing(intended, read), knowing(sideEffects, read), silent, emptyFamilies);
    }

    private static List<Change> knowing(List<Change> changes, Set<Setting> read) {
        return changes.stream()
                .map(c -> read.contains(c.setting()) ? c : new Change(c.module(), c.setting(), c.title(), "", c.to()))
                .toList();
    }

    private static List<Change> changes(
            Pack pack, Collection<Setting> settings, Map<Setting, String> before, Map<Setting, String> target) {
        return settings.stream()
                .map(setting -> new Change(
                        holder(pack, setting),
                        setting,
                        pack.layout(setting.layout())
                                .field(setting.field())
                                .map(Field::title)
                                .orElse(setting.field()),
                        before.getOrDefault(setting, ""),
                        target.getOrDefault(setting, "")))
                .filter(change -> !change.to().isEmpty() && !change.to().equals(change.from()))
                .toList();
    }

    /** Whether the software of the vehicle has it. */
    private static boolean there(Pack pack, Setting setting) {
        return pack.layout(setting.layout()).field(setting.field()).isPresent();
    }

    /** The module that keeps a setting. */
    private static String holder(Pack pack, Setting setting) {
        return pack.holder(setting.layout()).map(PackModule::id).orElseThrow();
    }

    private static List<String> inPackOrder(Pack pack, Set<String> modules) {
        return pack.modules().keySet().stream().filter(modules::contains).toList();
    }
}
