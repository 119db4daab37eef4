package codrane.core.pack;

import codrane.core.pack.Equipment.Family;
import codrane.core.pack.Equipment.Take;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Families of options of which each code stands for one value of the same settings.
 *
 * @param titles by code
 * @param factory codes of a vehicle as built
 */
record OrderOptions(Map<String, String> titles, List<String> factory, List<Family> families, List<OrderRule> rules) {
    /**
     * @param in the order
     * @param known codes that stand there by themselves
     */
    static OrderOptions read(YamlMap in, SettingNames settings, Map<String, String> known) {
        OrderOptions options =
                new OrderOptions(new LinkedHashMap<>(), new ArrayList<>(), new ArrayList<>(), new ArrayList<>());
        for (YamlMap entry : in.mapsIfAny("options")) {
            options.family(entry, settings, known.keySet());
            entry.end();
        }
        return options;
    }

    private void family(YamlMap in, SettingNames names, Set<String> known) {
        Map<String, String> codes = LayoutReader.texts(in.map("codes"));
        for (String code : codes.keySet())
            if (known.contains(code) || titles.containsKey(code))
                in.problem("codes", "has " + code + ", which is a code already");
        Family family = new Family(
                in.text("family"), in.text("title"), in.constant("take", Take.values()), List.copyOf(codes.keySet()));
        titles.putAll(codes);
        families.add(family);
        List<String> built = in.texts("factory");
        for (String code : built)
            if (!codes.containsKey(code)) in.problem("factory", "has " + code + ", which is no code of this family");
        if (!family.inEachOthersWay(built).isEmpty()) in.problem("factory", "has two codes of which a vehicle has one");
        factory.addAll(built);
        if (in.has("sets")) follow(in, names, codes);
    }

    private void follow(YamlMap in, SettingNames names, Map<String, String> codes) {
        Map<String, String> values = in.has("to") ? LayoutReader.texts(in.map("to")) : Map.of();
        if (!values.keySet().equals(codes.keySet())) in.problem("to", "must have a value for each code of the family");
        for (String text : in.someTexts("sets")) {
            Optional<Feature.Setting> setting = names.setting(in, "sets", text);
            if (setting.isEmpty()) continue;
            values.forEach((code, value) -> {
                if (names.holds(in, "to", setting.get(), value))
                    rules.add(new OrderRule(new CodeCondition.Code(code), setting.get(), value, Optional.empty()));
            });
        }
    }
}
