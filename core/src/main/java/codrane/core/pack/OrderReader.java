package codrane.core.pack;

import codrane.core.coding.Layout;
import codrane.core.pack.Equipment.Family;
import codrane.core.pack.Equipment.Take;
import codrane.core.pack.Equipment.VehicleOrder;
import codrane.core.text.Words;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Reads the vehicle order: its codes, who keeps it, and what follows from it. */
final class OrderReader {
    private final Map<String, PackModule> modules;
    private final SettingNames settings;

    OrderReader(Map<String, PackModule> modules, Map<String, Layout> layouts) {
        this.modules = modules;
        settings = new SettingNames(layouts);
    }

    VehicleOrder order(YamlMap in) {
        List<String> holders = in.texts("holders");
        holders.stream().filter(h -> !modules.containsKey(h)).forEach(h -> missing(in, "holders", h));
        Map<String, String> titles = new LinkedHashMap<>(LayoutReader.texts(in.map("codes")));
        OrderOptions options = OrderOptions.read(in, settings, titles);
        titles.putAll(options.titles());
        titles.keySet().stream()
                .filter(code -> !code.matches("[A-Z0-9]{2,6}"))
                .forEach(code -> in.problem("codes", "has " + code + " (expected 2 to 6 capital letters or digits)"));
        List<String> factory = new ArrayList<>(in.someTexts("factory"));
        factory.stream()
                .filter(code -> !titles.containsKey(code))
                .forEach(code -> in.problem("factory", "has " + code + ", which is no code"));
        factory.addAll(options.factory());
        if (holders.isEmpty()) in.problem("holders", "must name at least one module");
        Map<String, Family> families = new LinkedHashMap<>();
        if (in.has("families"))
            codeLists(in.map("families"), titles.keySet(), true)
                    .forEach((id, codes) ->
                            families.put(id, new Family(id, Words.capital(id.replace('-', ' ')), Take.ONE, codes)));
        for (Family family : options.families())
            if (families.put(family.id(), family) != null)
                in.problem("options", "names the family " + family.id() + " a second time");
        List<OrderRule> rules = new ArrayList<>(rules(in, titles.keySet()));
        rules.addAll(options.rules());
        VehicleOrder order = new VehicleOrder(
                in.integer("id", 0, 0xFFFF),
                holders.stream().filter(modules::containsKey).toList(),
                titles,
                factory,
                families,
                in.has("follow") ? codeLists(in.map("follow"), titles.keySet(), false) : Map.of(),
                rules);
        in.end();
        return order;
    }

    /** Lists by key: of codes by family, or of modules by code. */
    private Map<String, List<String>> codeLists(YamlMap in, Set<String> codes, boolean families) {
        Map<String, List<String>> lists = new LinkedHashMap<>();
        for (String key : in.keys()) {
            List<String> items = in.texts(key);
            if (!families && !codes.contains(key)) in.problem(key, "is no code");
            for (String item : items) if (!(families ? codes : modules.keySet()).contains(item)) missing(in, key, item);
            lists.put(key, items);
        }
        return lists;
    }

    private List<OrderRule> rules(YamlMap in, Set<String> codes) {
        List<OrderRule> rules = new ArrayList<>();
        Set<Feature.Setting> otherwise = new HashSet<>();
        Map<String, Integer> conditions = new HashMap<>();
        for (YamlMap entry : in.mapsIfAny("rules")) {
            Optional<CodeCondition> when = when(entry, codes);
            Optional<Feature.Setting> setting = settings.setting(entry, "set", entry.text("set"));
            String to = entry.text("to");
            Optional<String> other = entry.has("else") ? Optional.of(entry.text("else")) : Optional.empty();
            entry.end();
            if (when.isEmpty() || setting.isEmpty()) continue;
            settings.holds(entry, "to", setting.get(), to);
            other.ifPresent(value -> settings.holds(entry, "else", setting.get(), value));
            if (other.isPresent() && !otherwise.add(setting.get()))
                entry.problem(
                        "else",
                        "stands a second time for " + setting.get().layout() + "/"
                                + setting.get().field());
            if (conditions.merge(when.get() + " " + setting.get(), 1, Integer::sum) > 1)
                entry.problem("when", "stands a second time for the same setting");
            rules.add(new OrderRule(when.get(), setting.get(), to, other));
        }
        return rules;
    }

    private static Optional<CodeCondition> when(YamlMap in, Set<String> codes) {
        String text = in.text("when");
        try {
            CodeCondition condition = CodeCondition.parse(text);
            condition.codes().stream()
                    .filter(code -> !codes.contains(code))
                    .forEach(code -> in.problem("when", "names " + code + ", which is no code"));
            return Optional.of(condition);
        } catch (IllegalArgumentException e) {
            in.problem("when", e.getMessage() + " (expected codes with and, or, not and brackets)");
            return Optional.empty();
        }
    }

    private static void missing(YamlMap in, String key, String id) {
        in.problem(key, "names the module " + id + ", which is not there");
    }
}
