package codrane.core.pack;

import codrane.core.coding.BlockCheck;
import codrane.core.coding.Field;
import codrane.core.coding.Layout;
import codrane.core.octets.Bytes;
import codrane.core.pack.SettingRule.OtherSide;
import codrane.core.pack.SettingRule.Preset;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Reads the coding layouts of a pack. */
final class LayoutReader {
    private final Map<String, String> madeFor = new LinkedHashMap<>();
    private final Map<Feature.Setting, SettingRule> settings = new LinkedHashMap<>();
    private final Map<String, List<LayoutVersion>> versions = new LinkedHashMap<>();

    /** By layout, the field that holds the end of the VIN for which a block was made. */
    Map<String, String> madeFor() {
        return madeFor;
    }

    /** What is said of single settings. */
    Map<Feature.Setting, SettingRule> settings() {
        return settings;
    }

    /** By layout, of blocks that not every software keeps alike: the newest first. */
    Map<String, List<LayoutVersion>> versions() {
        return versions;
    }

    Map<String, Layout> layouts(YamlMap in) {
        Map<String, Layout> layouts = new LinkedHashMap<>();
        for (String id : in.keys()) {
            YamlMap entry = in.map(id);
            Layout newest = layout(id, entry);
            layouts.put(id, newest);
            if (entry.has("software")) versions.put(id, EarlierLayouts.read(entry, newest, madeFor.get(id)));
            entry.end();
        }
        return layouts;
    }

    private Layout layout(String id, YamlMap in) {
        int length = in.integer("octets", 1, 4095);
        List<Field> fields = new ArrayList<>();
        Map<String, YamlMap> sides = new LinkedHashMap<>();
        for (YamlMap entry : in.maps("fields")) {
            Field field = field(entry);
            if (field.end() > length * 8) entry.problem("at", "ends past the block's " + length + " octets");
            else fields.add(field);
            settings.put(new Feature.Setting(id, field.key()), rule(entry, field));
            if (entry.has("other-side")) sides.put(field.key(), entry);
            else entry.end();
        }
        sides.forEach((key, entry) -> otherSide(id, fields, key, entry));
        Layout layout = new Layout(
                id,
                in.text("title"),
                in.integer("id", 0, 0xFFFF),
                length,
                fields,
                in.has("check") ? check(in.map("check"), length) : BlockCheck.NONE,
                in.has("factory") ? texts(in.map("factory")) : Map.of());
        if (layout.encode(layout.factory(), Bytes.filled(length, 0)) instanceof Layout.Encoded.Refused(String reason)) {
            in.problem("factory", "can't be: " + reason);
        }
        if (in.has("made-for")) {
            String key = in.text("made-for");
            if (layout.field(key).isEmpty()) in.problem("made-for", "names the field " + key + ", which is not there");
            madeFor.put(id, key);
        }
        return layout;
    }

    private static SettingRule rule(YamlMap in, Field field) {
        Optional<Set<Concern>> concerns =
                in.has("concerns") ? Optional.of(ModuleReader.concerns(in)) : Optional.empty();
        if (field.kind() != Field.Kind.SCALED)
            for (String key : List.of("least", "most", "presets", "other-side", "tyre"))
                if (in.has(key)) in.problem(key, "is for a value with a factor only");
        boolean tyre = in.flag("tyre", false);
        if (tyre && !field.scale().unit().equals("mm")) in.problem("tyre", "is for a value in mm only");
        SettingRule limits =
                new SettingRule(concerns, limit(in, "least"), limit(in, "most"), List.of(), Optional.empty(), tyre);
        return in.has("presets")
                ? new SettingRule(
                        concerns,
                        limits.least(),
                        limits.most(),
                        presets(in.map("presets"), field, limits),
                        Optional.empty(),
                        tyre)
                : limits;
    }

    private static List<Preset> presets(YamlMap in, Field field, SettingRule limits) {
        List<Preset> presets = new ArrayList<>();
        for (String name : in.keys()) {
            String value = in.text(name);
            Optional<BigDecimal> number = field.rawOf(value).flatMap(raw -> field.number(value));
            if (number.isEmpty()) in.problem(name, "is " + value + ", which the field can't hold");
            else if (!limits.allows(number.get())) in.problem(name, "is " + value + ", which is out of its limits");
            else presets.add(new Preset(name, field.worded(number.get())));
        }
        return presets;
    }

    /** Said at one of the two sides, it counts for both. */
    private void otherSide(String id, List<Field> fields, String key, YamlMap entry) {
        YamlMap in = entry.map("other-side");
        String other = in.text("field");
        BigDecimal apart = BigDecimal.valueOf(in.decimal("apart", 0, 1e9));
        Field here =
                fields.stream().filter(f -> f.key().equals(key)).findFirst().orElse(null);
        Optional<Field> there = fields.stream()
                .filter(f -> f.key().equals(other) && !other.equals(key))
                .findFirst();
        if (here != null && there.filter(f -> f.scale().equals(here.scale())).isEmpty())
            in.problem(
                    "field",
                    "is " + other + " (expected another field of this block with the same factor, offset and unit)");
        else if (here != null) {
            settings.computeIfPresent(
                    new Feature.Setting(id, key), (s, rule) -> rule.with(new OtherSide(other, apart)));
            settings.computeIfPresent(
                    new Feature.Setting(id, other), (s, rule) -> rule.with(new OtherSide(key, apart)));
        }
        in.end();
        entry.end();
    }

    private static Optional<BigDecimal> limit(YamlMap in, String key) {
        return in.has(key) ? Optional.of(BigDecimal.valueOf(in.decimal(key, -1e9, 1e9))) : Optional.empty();
    }

    static Map<String, String> texts(YamlMap in) {
        Map<String, String> values = new LinkedHashMap<>();
        for (String key : in.keys()) values.put(key, in.text(key));
        return values;
    }

    private static Field field(YamlMap in) {
        String key = in.text("key");
        String title = in.text("title");
        int at = in.integer("at", 0, 4095 * 8 - 1);
        int bits = in.integer("bits", 1, 4095 * 8);
        boolean little = in.text("order", "big").equals("little");
        Map<Long, String> values = new LinkedHashMap<>();
        Field.Scale scale = Field.Scale.NONE;
        Field.Kind kind = Field.Kind.UNSIGNED;
        if (in.has("values")) {
            kind = Field.Kind.ENUMERATION;
            YamlMap names = in.map("values");
            for (String raw : names.keys()) values.put(rawValue(names, raw), names.text(raw));
        } else if (in.has("factor")) {
            kind = Field.Kind.SCALED;
            scale = new Field.Scale(
                    BigDecimal.valueOf(in.decimal("factor", 0.000001, 1_000_000)),
                    BigDecimal.valueOf(in.has("offset") ? in.decimal("offset", -1e9, 1e9) : 0),
                    in.text("unit", ""));
        } else if (in.has("kind")) {
            kind = in.choice(
                    "kind",
                    List.of(Field.Kind.UNSIGNED, Field.Kind.SIGNED, Field.Kind.TEXT, Field.Kind.BCD),
                    YamlMap::dashed);
        }
        try {
            return new Field(key, title, at, bits, kind, little, values, scale);
        } catch (IllegalArgumentException e) {
            in.problem("at", String.valueOf(e.getMessage()));
            return new Field(key, title, 0, 8, Field.Kind.UNSIGNED, false, Map.of(), Field.Scale.NONE);
        }
    }

    private static long rawValue(YamlMap names, String raw) {
        try {
            return Long.decode(raw);
        } catch (NumberFormatException e) {
            names.problem(raw, "is not a raw value (expected a number)");
            return 0;
        }
    }

    static BlockCheck check(YamlMap in, int length) {
        BlockCheck.Kind kind = in.constant("kind", BlockCheck.Kind.values());
        YamlMap covers = in.map("covers");
        BlockCheck check = new BlockCheck(
                kind,
                covers.integer("start", 0, length - 1),
                covers.integer("length", 1, length),
                in.integer("at", 0, length - 1),
                in.text("order", "big").equals("little"));
        covers.end();
        in.end();
        boolean fits = check.start() + check.length() <= length && check.at() + kind.octets() <= length;
        if (!fits) in.problem("at", "lies outside the block of " + length + " octets");
        return fits ? check : BlockCheck.NONE;
    }
}
