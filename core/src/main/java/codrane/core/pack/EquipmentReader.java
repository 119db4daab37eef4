package codrane.core.pack;

import codrane.core.coding.Layout;
import codrane.core.pack.Equipment.Immobiliser;
import codrane.core.pack.Equipment.Limits;
import codrane.core.pack.Equipment.Position;
import codrane.core.pack.Equipment.Sensor;
import java.time.Duration;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Reads what a vehicle has as a whole. */
final class EquipmentReader {
    private final Map<String, PackModule> modules;
    private final Map<String, Layout> layouts;
    private final SettingNames settings;

    EquipmentReader(Map<String, PackModule> modules, Map<String, Layout> layouts) {
        this.modules = modules;
        this.layouts = layouts;
        settings = new SettingNames(layouts);
    }

    /** @param in the pack itself */
    Equipment equipment(YamlMap in) {
        return new Equipment(
                sensors(in.map("sensors")),
                in.has("procedures") ? procedures(in.map("procedures")) : Map.of(),
                in.has("order")
                        ? Optional.of(new OrderReader(modules, layouts).order(in.map("order")))
                        : Optional.empty(),
                in.has("immobiliser") ? Optional.of(immobiliser(in.map("immobiliser"))) : Optional.empty(),
                in.has("features") ? features(in.map("features")) : List.of(),
                in.texts("safety"),
                in.mapsIfAny("cables").stream().map(EquipmentReader::cable).toList(),
                Duration.ofSeconds(in.integer("asleep-after-s", 1, 3600, 20)),
                habits(in));
    }

    private Map<Sensor, Position> sensors(YamlMap in) {
        Map<Sensor, Position> sensors = new LinkedHashMap<>();
        for (Sensor sensor : Sensor.values()) {
            String key = YamlMap.dashed(sensor);
            if (sensor != Sensor.KEY && !in.has(key)) continue;
            YamlMap entry = in.map(key);
            sensors.put(sensor, new Position(known(entry, "module"), entry.integer("id", 0, 0xFFFF)));
            entry.end();
        }
        in.end();
        return sensors;
    }

    private Map<String, Procedure> procedures(YamlMap in) {
        Map<String, Procedure> procedures = new LinkedHashMap<>();
        for (String id : in.keys()) {
            YamlMap entry = in.map(id);
            procedures.put(
                    id,
                    new Procedure(
                            id,
                            known(entry, "module"),
                            entry.integer("routine", 0, 0xFFFF),
                            entry.text("title"),
                            Duration.ofSeconds(entry.integer("seconds", 0, 3600)),
                            needs(entry, entry.texts("needs")),
                            entry.constant("effect", Procedure.Effect.values()),
                            entry.text("expect", "")));
            entry.end();
        }
        return procedures;
    }

    /** Conditions by their keys. */
    static List<VehicleCondition> needs(YamlMap in, List<String> keys) {
        List<VehicleCondition> needs = new ArrayList<>();
        for (String key : keys) {
            VehicleCondition.of(key)
                    .ifPresentOrElse(needs::add, () -> in.problem("needs", "names " + key + ", which is no condition"));
        }
        return needs;
    }

    private static Equipment.Cable cable(YamlMap in) {
        Equipment.Cable cable = new Equipment.Cable(
                in.integer("from-year", 1980, 2100), in.integer("to-year", 1980, 2100), in.text("title"));
        in.end();
        return cable;
    }

    private List<Feature> features(YamlMap in) {
        List<Feature> features = new ArrayList<>();
        for (String id : in.keys()) {
            YamlMap entry = in.map(id);
            List<Feature.Setting> named = new ArrayList<>();
            for (String text : entry.someTexts("settings"))
                settings.setting(entry, "settings", text).ifPresent(named::add);
            features.add(new Feature(
                    id,
                    entry.text("title"),
                    named,
                    entry.has("on") ? values(entry.map("on")) : Map.of(),
                    entry.has("off") ? values(entry.map("off")) : Map.of(),
                    Set.copyOf(entry.texts("needs")),
                    Set.copyOf(entry.texts("excludes")),
                    entry.texts("after"),
                    ModuleReader.concerns(entry),
                    entry.text("look-first", ""),
                    new Feature.Card(entry.text("use", ""), entry.text("starts", ""), entry.text("limits", ""))));
            others(in, entry, "excludes", features.getLast().excludes());
            others(in, entry, "needs", features.getLast().needs());
            if (!features.getLast()
                    .on()
                    .keySet()
                    .containsAll(features.getLast().off().keySet())) entry.problem("off", "sets what \"on\" does not");
            entry.end();
        }
        return features;
    }

    private static void others(YamlMap in, YamlMap entry, String key, Set<String> others) {
        others.stream()
                .filter(other -> !in.has(other))
                .forEach(other -> entry.problem(key, "names the feature " + other + ", which is not there"));
    }

    /** Values by layout, slash, field; each must be one that the field can hold. */
    private Map<Feature.Setting, String> values(YamlMap in) {
        Map<Feature.Setting, String> values = new LinkedHashMap<>();
        for (String text : in.keys()) {
            String value = in.text(text);
            Optional<Feature.Setting> setting = settings.setting(in, "settings", text);
            if (setting.isEmpty()) continue;
            if (settings.holds(in, text, setting.get(), value))
                values.put(setting.get(), settings.worded(setting.get(), value));
        }
        return values;
    }

    private Habits habits(YamlMap in) {
        List<Habits.Pass> passes =
                in.mapsIfAny("passes").stream().map(EquipmentReader::pass).toList();
        Map<String, List<String>> wording = new LinkedHashMap<>();
        if (in.has("service-wording")) {
            YamlMap words = in.map("service-wording");
            for (String key : List.of("program", "configure", "initialise")) wording.put(key, words.texts(key));
            words.end();
        }
        Set<CodingSource> sources = in.has("coding-sources")
                ? in.constants("coding-sources", CodingSource.values())
                : Set.of(CodingSource.LINE_SHEET);
        return new Habits(passes, sources.stream().sorted().toList(), wording, keyCycle(in));
    }

    private static Habits.KeyCycle keyCycle(YamlMap in) {
        if (!in.has("key-cycle")) return Habits.KeyCycle.USUAL;
        YamlMap cycle = in.map("key-cycle");
        Habits.KeyCycle read =
                new Habits.KeyCycle(cycle.integer("off-s", 1, 600), cycle.integer("on-within-s", 1, 600));
        cycle.end();
        return read;
    }

    private static Habits.Pass pass(YamlMap in) {
        Habits.Pass pass = new Habits.Pass(in.integer("days", 1, 3660), in.integer("price", 0, 1_000_000));
        in.end();
        return pass;
    }

    private Immobiliser immobiliser(YamlMap in) {
        List<String> members = in.someTexts("members");
        members.stream().filter(m -> !modules.containsKey(m)).forEach(m -> missing(in, "members", m));
        Immobiliser immobiliser = new Immobiliser(
                known(in, "master"),
                members.stream().filter(modules::containsKey).toList(),
                in.integer("state", 0, 0xFFFF),
                in.integer("pair", 0, 0xFFFF),
                in.integer("learn-key", 0, 0xFFFF),
                in.integer("code-digits", 4, 8),
                new Limits(
                        in.integer("attempts", 1, 20),
                        Duration.ofSeconds(in.integer("wait-s", 1, 86_400)),
                        Duration.ofSeconds(in.integer("window-s", 1, 600))),
                in.flag("daily-code", false),
                in.texts("keys-with"));
        in.end();
        return immobiliser;
    }

    /** The id of a module that must be there. */
    String known(YamlMap in, String key) {
        String id = in.text(key);
        if (!id.isEmpty() && !modules.containsKey(id)) missing(in, key, id);
        return id;
    }

    private static void missing(YamlMap in, String key, String id) {
        in.problem(key, "names the module " + id + ", which is not there");
    }
}
