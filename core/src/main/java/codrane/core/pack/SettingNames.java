package codrane.core.pack;

import codrane.core.coding.Layout;
import codrane.core.octets.Bytes;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;

/** Settings as a pack names them: layout, slash, field. */
record SettingNames(Map<String, Layout> layouts) {
    /** @param key under which the name stands; a name that is no setting is a problem of it */
    Optional<Feature.Setting> setting(YamlMap in, String key, String text) {
        String[] parts = text.split("/", 2);
        Layout layout = layouts.get(parts[0]);
        if (parts.length == 2 && layout != null && layout.field(parts[1]).isPresent())
            return Optional.of(new Feature.Setting(parts[0], parts[1]));
        in.problem(key, "names " + text + ", which is no field of a layout (expected layout/field)");
        return Optional.empty();
    }

    /** A value of the setting as it is read. */
    String worded(Feature.Setting setting, String value) {
        return Objects.requireNonNull(layouts.get(setting.layout())).worded(setting.field(), value);
    }

    /** Whether the setting can hold the value; otherwise that is a problem. */
    boolean holds(YamlMap in, String key, Feature.Setting setting, String value) {
        Layout layout = Objects.requireNonNull(layouts.get(setting.layout()));
        boolean holds = layout.encode(Map.of(setting.field(), value), Bytes.filled(layout.length(), 0))
                instanceof Layout.Encoded.Block;
        if (!holds) in.problem(key, "is " + value + ", which the field can't hold");
        return holds;
    }
}
