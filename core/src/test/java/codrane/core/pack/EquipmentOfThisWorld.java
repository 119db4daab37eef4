package codrane.core.pack;

import static java.util.Objects.requireNonNull;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.snakeyaml.engine.v2.api.Load;
import org.snakeyaml.engine.v2.api.LoadSettings;

/**
 * Gives each pack the options and the equipment of {@code packs/vocabulary}, as far as it has their settings. Of an
 * option that sets something, the factory's code is the one for the value with which the vehicle was built.
 *
 * @param options as read
 * @param features as read
 */
record EquipmentOfThisWorld(List<Map<String, Object>> options, Map<String, Map<String, Object>> features) {
    private static final String OPTIONS = mark("options");
    private static final String FEATURES = mark("features");

    private static String mark(String words) {
        return "  # made from vocabulary/" + words
                + ".yaml by EquipmentOfThisWorld: change the words, then make them again\n";
    }

    @SuppressWarnings("unchecked")
    static EquipmentOfThisWorld of(String options, String features) {
        Load load = new Load(LoadSettings.builder().build());
        return new EquipmentOfThisWorld(
                (List<Map<String, Object>>) requireNonNull(load.loadFromString(options)),
                (Map<String, Map<String, Object>>) requireNonNull(load.loadFromString(features)));
    }

    /** The pack with its settings made, and with this equipment. */
    String grown(String text) {
        return withFeatures(withOptions(text));
    }

    private String withOptions(String text) {
        String grown = text.replaceFirst("(?s)" + Pattern.quote(OPTIONS) + ".*?(?=  rules:\n)", "");
        if (!grown.contains("\norder:\n")) return grown;
        StringBuilder made = new StringBuilder(OPTIONS + "  options:\n");
        for (Map<String, Object> option : options) {
            List<String> sets = texts(option.get("sets"));
            if (!sets.stream().allMatch(has(grown)::contains)) continue;
            for (String set : sets) grown = builtAs(grown, set, built(grown, sets.getFirst()));
            made.append("    - ").append(option(grown, option, sets)).append('\n');
        }
        return grown.replaceFirst("\n  rules:\n", Matcher.quoteReplacement("\n" + made + "  rules:\n"));
    }

    private static String option(String text, Map<String, Object> option, List<String> sets) {
        Map<String, String> titles = new LinkedHashMap<>();
        Map<String, String> values = new LinkedHashMap<>();
        map(option.get("codes")).forEach((code, said) -> {
            if (said instanceof Map<?, ?> one)
                one.forEach((value, title) -> {
                    values.put(code, String.valueOf(value));
                    titles.put(code, option.get("title") + " " + title);
                });
            else titles.put(code, String.valueOf(said));
        });
        List<String> factory = values.isEmpty()
                ? texts(option.get("factory"))
                : values.entrySet().stream()
                        .filter(v -> v.getValue().equals(built(text, sets.getFirst())))
                        .map(Map.Entry::getKey)
                        .toList();
        return "{ family: " + option.get("family") + ", title: " + option.get("title") + ", take: "
                + option.getOrDefault("take", "at-most-one") + ", codes: " + flow(titles) + ", factory: " + factory
                + (sets.isEmpty() ? "" : ", sets: " + sets + ", to: " + flow(values)) + " }";
    }

    private String withFeatures(String text) {
        String grown = text.replaceFirst("(?s)" + Pattern.quote(FEATURES) + ".*?(?=\n(safety|cables):)", "");
        StringBuilder made = new StringBuilder(FEATURES);
        List<String> has = has(grown);
        features.forEach((id, feature) -> {
            Map<String, String> on = values(feature.get("on"));
            if (has.containsAll(on.keySet()))
                made.append("  ")
                        .append(id)
                        .append(": ")
                        .append(feature(feature, on))
                        .append('\n');
        });
        if (!grown.contains("\nfeatures:\n")) grown = grown.replaceFirst("\n(safety|cables):", "\nfeatures:\n\n$1:");
        return grown.replaceFirst(
                "(?s)(\nfeatures:\n(?:  [^\n]*\n)*)\n*(?=(safety|cables):)",
                "$1" + Matcher.quoteReplacement(made + "\n"));
    }

    private static String feature(Map<String, Object> feature, Map<String, String> on) {
        StringBuilder text = new StringBuilder("{ title: " + feature.get("title") + ", settings: ["
                + String.join(", ", on.keySet()) + "], on: " + flow(on) + ", off: " + flow(values(feature.get("off"))));
        for (String list : List.of("needs", "excludes", "after", "concerns"))
            if (feature.containsKey(list))
                text.append(", ").append(list).append(": ").append(texts(feature.get(list)));
        if (feature.containsKey("look-first")) text.append(", look-first: ").append(feature.get("look-first"));
        for (String sentence : List.of("use", "starts", "limits"))
            if (feature.containsKey(sentence))
                text.append(", ")
                        .append(sentence)
                        .append(": \"")
                        .append(feature.get(sentence))
                        .append('"');
        return text + " }";
    }

    private static String flow(Map<String, String> values) {
        return values.entrySet().stream()
                .map(v -> v.getKey() + ": \"" + v.getValue() + "\"")
                .collect(Collectors.joining(", ", "{ ", " }"));
    }

    /** Every setting of the pack, as layout/field. */
    private static List<String> has(String text) {
        List<String> settings = new ArrayList<>();
        String layout = "";
        for (String line : text.substring(text.indexOf("\nlayouts:")).split("\n")) {
            Matcher named = Pattern.compile("^  ([a-z0-9-]+):$").matcher(line);
            if (named.matches()) layout = named.group(1);
            Matcher field =
                    Pattern.compile("^      - \\{ key: ([a-z0-9.-]+),.*").matcher(line);
            if (field.matches()) settings.add(layout + "/" + field.group(1));
        }
        return settings;
    }

    private static String built(String text, String setting) {
        Matcher found = factory(text, setting);
        if (!found.find()) throw new IllegalArgumentException(setting + " has no factory value");
        return found.group(2);
    }

    private static String builtAs(String text, String setting, String value) {
        return factory(text, setting).replaceFirst("$1\"" + Matcher.quoteReplacement(value) + "\"");
    }

    private static Matcher factory(String text, String setting) {
        String[] parts = setting.split("/");
        return Pattern.compile("((?s:\n  " + parts[0] + ":\n.*?)\\b" + Pattern.quote(parts[1]) + ": )\"([^\"]*)\"")
                .matcher(text);
    }

    private static Map<String, String> values(Object map) {
        Map<String, String> values = new LinkedHashMap<>();
        map(map).forEach((key, value) -> values.put(key, String.valueOf(value)));
        return values;
    }

    @SuppressWarnings("unchecked")
    private static Map<String, Object> map(Object value) {
        return (Map<String, Object>) requireNonNull(value);
    }

    private static List<String> texts(Object value) {
        return value instanceof List<?> list
                ? list.stream().map(String::valueOf).toList()
                : List.of();
    }
}
