package codrane.core.pack;

import codrane.core.coding.BlockCheck;
import codrane.core.coding.Field;
import codrane.core.coding.Layout;
import codrane.core.fault.FaultCode;
import codrane.core.octets.Bytes;
import codrane.core.vin.VinRule;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.snakeyaml.engine.v2.api.LoadSettings;
import org.snakeyaml.engine.v2.api.lowlevel.Compose;
import org.snakeyaml.engine.v2.exceptions.MarkedYamlEngineException;
import org.snakeyaml.engine.v2.exceptions.YamlEngineException;
import org.snakeyaml.engine.v2.nodes.Node;

/** Reads a pack from YAML text, naming file, line and reason of everything that is wrong. */
public final class PackLoader {
    private static final int LONGEST_FILE = 2_000_000;

    private final YamlMap.Problems problems;

    private PackLoader(String file) {
        problems = new YamlMap.Problems(file);
    }

    /** @param file name shown in problems */
    public static PackResult load(String file, String yaml) {
        PackLoader loader = new PackLoader(file);
        try {
            Optional<Node> root = new Compose(LoadSettings.builder()
                            .setUseMarks(true)
                            .setAllowDuplicateKeys(true) // noted with their line by YamlMap
                            .setCodePointLimit(LONGEST_FILE)
                            .build())
                    .composeString(yaml);
            if (root.isEmpty()) return invalid(file, 1, "the file is empty");
            Pack pack = loader.pack(new YamlMap(root.get(), "", loader.problems));
            return loader.problems.found().isEmpty()
                    ? new PackResult.Loaded(pack)
                    : new PackResult.Invalid(loader.problems.found());
        } catch (MarkedYamlEngineException e) {
            int line = e.getProblemMark().map(mark -> mark.getLine() + 1).orElse(1);
            return invalid(file, line, "not readable as YAML: " + e.getProblem());
        } catch (YamlEngineException e) {
            return invalid(file, 1, "not readable as YAML: " + e.getMessage());
        }
    }

    private static PackResult invalid(String file, int line, String reason) {
        return new PackResult.Invalid(List.of(new PackProblem(file, line, reason)));
    }

    private Pack pack(YamlMap in) {
        Map<String, String> madeFor = new LinkedHashMap<>();
        Map<String, Layout> layouts = layouts(in.map("layouts"), madeFor);
        PackLink link = link(in.map("link"));
        Map<String, PackModule> modules = modules(in.map("modules"), layouts);
        YamlMap vin = in.map("vin");
        List<Integer> years = numbers(vin, "model-years");
        VinRule rule = new VinRule(vin.flag("check-digit", true), years.getFirst(), years.getLast());
        Pack pack = new Pack(
                in.text("pack"),
                in.integer("version", 1, 1_000_000),
                in.text("title"),
                in.text("maker"),
                wmi(in),
                rule,
                model(vin),
                known(vin, "reference", modules),
                in.text("service"),
                link,
                supply(in.map("supply")),
                key(in.map("key"), modules),
                in.has("gateway") ? Optional.of(gateway(in.map("gateway"))) : Optional.empty(),
                modules,
                layouts,
                madeFor,
                faults(in, modules));
        vin.end();
        in.end();
        return pack;
    }

    private static String wmi(YamlMap in) {
        String wmi = in.text("wmi");
        if (!wmi.isEmpty() && !wmi.matches("[0-9A-HJ-NPR-Z]{3}")) in.problem("wmi", "must be three VIN characters");
        return wmi;
    }

    private static Pack.ModelCode model(YamlMap vin) {
        String at = vin.text("model-at");
        int from = 4;
        int to = 5;
        if (at.matches("\\d{1,2}-\\d{1,2}")) {
            from = Integer.parseInt(at.substring(0, at.indexOf('-')));
            to = Integer.parseInt(at.substring(at.indexOf('-') + 1));
        }
        if (from < 1 || to > 17 || from > to) vin.problem("model-at", "is " + at + " (expected positions like 4-5)");
        YamlMap names = vin.map("models");
        Map<String, String> models = new LinkedHashMap<>();
        for (String code : names.keys()) models.put(code, names.text(code));
        return new Pack.ModelCode(from, to, models);
    }

    private static PackLink link(YamlMap in) {
        String kind = in.choice("kind", List.of("can", "doip"), k -> k);
        PackLink link = kind.equals("doip") ? doip(in) : can(in);
        in.end();
        return link;
    }

    private static PackLink doip(YamlMap in) {
        return new PackLink.Doip(in.integer("logical-base", 0, 0xFF00), in.integer("tester", 0, 0xFFFF));
    }

    private static PackLink can(YamlMap in) {
        boolean extended = in.integer("ids", 11, 29) == 29;
        YamlMap request = in.map("request");
        YamlMap response = in.map("response");
        PackLink.Can can = new PackLink.Can(
                in.integer("bitrate", 10_000, 1_000_000),
                extended,
                request.integer("base", 0, 0x1FFFFFFF),
                request.integer("times", 1, 0x10000),
                response.integer("after-request", 1, 0xFFFF),
                in.integer("functional", 0, 0x1FFFFFFF));
        request.end();
        response.end();
        return can;
    }

    private static Pack.Supply supply(YamlMap in) {
        String chemistry = in.choice("chemistry", List.of("flooded", "efb", "agm", "lfp"), c -> c);
        YamlMap load = in.map("load-a");
        Pack.Supply supply = new Pack.Supply(
                chemistry,
                in.decimal("capacity-ah", 1, 2000),
                load.decimal("key-on", 0, 500),
                load.decimal("programming", 0, 500));
        load.end();
        in.end();
        return supply;
    }

    private static Pack.KeyPosition key(YamlMap in, Map<String, PackModule> modules) {
        Pack.KeyPosition key = new Pack.KeyPosition(known(in, "module", modules), in.integer("id", 0, 0xFFFF));
        in.end();
        return key;
    }

    private static Pack.GatewayPolicy gateway(YamlMap in) {
        Pack.GatewayPolicy policy = new Pack.GatewayPolicy(
                in.integer("from-year", 1980, 2039),
                in.choice("family", List.of("token", "certificate"), f -> f),
                in.text("authority"));
        in.end();
        return policy;
    }

    private Map<String, PackModule> modules(YamlMap in, Map<String, Layout> layouts) {
        Map<String, PackModule> modules = new LinkedHashMap<>();
        Map<Integer, String> addresses = new LinkedHashMap<>();
        for (String id : in.keys()) {
            YamlMap entry = in.map(id);
            PackModule module = module(id, entry, layouts);
            String other = addresses.put(module.address(), id);
            if (other != null) entry.problem("address", "is also the address of " + other);
            modules.put(id, module);
        }
        if (modules.isEmpty()) in.problem("", "needs at least one module");
        return modules;
    }

    private PackModule module(String id, YamlMap in, Map<String, Layout> layouts) {
        List<String> blocks = in.texts("blocks");
        for (String block : blocks) {
            if (!layouts.containsKey(block)) in.problem("blocks", "names the layout " + block + ", which is not there");
        }
        String tag = in.text("tag");
        if (!tag.isEmpty() && !tag.matches("[A-Z]{3}")) in.problem("tag", "must be three capital letters");
        PackModule module = new PackModule(
                id,
                in.integer("address", 0, 0xFF),
                tag,
                in.text("title"),
                traits(in),
                parts(in.map("parts")),
                software(in.map("software")),
                in.has("flash") ? Optional.of(flash(in.map("flash"))) : Optional.empty(),
                session(in.map("session")),
                identification(in.map("identification"), in.has("flash")),
                blocks.stream().filter(layouts::containsKey).toList());
        in.end();
        return module;
    }

    private static PackModule.Traits traits(YamlMap in) {
        if (!in.has("traits")) return new PackModule.Traits(true, false, false, List.of());
        YamlMap traits = in.map("traits");
        PackModule.Traits read = new PackModule.Traits(
                !traits.text("vin", "rewritable").equals("bound"),
                traits.flag("demanding", false),
                traits.flag("wired-only", false),
                traits.texts("looks"));
        traits.end();
        return read;
    }

    private static PackModule.Parts parts(YamlMap in) {
        String pattern = in.text("pattern");
        java.util.regex.Pattern compiled = java.util.regex.Pattern.compile("(?<base>.*)(?<suffix>)");
        try {
            java.util.regex.Pattern own = java.util.regex.Pattern.compile(pattern);
            if (own.namedGroups().keySet().containsAll(List.of("base", "suffix"))) compiled = own;
            else in.problem("pattern", "needs the groups base and suffix");
        } catch (java.util.regex.PatternSyntaxException e) {
            in.problem("pattern", "is no regular expression: " + e.getDescription());
        }
        String fitted = in.text("fitted");
        if (!fitted.isEmpty() && !compiled.matcher(fitted).matches())
            in.problem("fitted", "does not match the pattern");
        PackModule.Parts parts =
                new PackModule.Parts(compiled, fitted.isEmpty() ? "?" : fitted, in.textLists("interchangeable"));
        in.end();
        return parts;
    }

    private static PackModule.Software software(YamlMap in) {
        String current = in.text("current");
        PackModule.Software software = new PackModule.Software(current, in.text("needed", current));
        in.end();
        return software;
    }

    private static PackModule.Flash flash(YamlMap in) {
        PackModule.Flash flash = new PackModule.Flash(
                range(in.map("segment")),
                range(in.map("version")),
                range(in.map("hardware")),
                in.choice("resume", List.of(PackModule.Resume.values()), r -> key(r.name())),
                in.integer("block-bytes", 3, 4095),
                micros(in, "st-min-us", 127_000),
                in.integer("block-size", 0, 255),
                millis(in, "erase-ms"),
                micros(in, "block-us", 10_000_000),
                millis(in, "verify-ms"));
        in.end();
        return flash;
    }

    private static PackModule.Range range(YamlMap in) {
        PackModule.Range range =
                new PackModule.Range(in.number("start", 0, 0xFFFFFFFFL), in.integer("length", 1, Integer.MAX_VALUE));
        in.end();
        return range;
    }

    private static PackModule.Session session(YamlMap in) {
        PackModule.Session session = new PackModule.Session(
                in.integer("programming", 2, 0x7F),
                in.integer("extended", 3, 0x7F),
                millis(in, "p2-ms"),
                millis(in, "p2-star-ms"),
                in.integer("security-level", 1, 0x41),
                in.number("security-mask", 0, 0xFFFFFFFFL));
        in.end();
        return session;
    }

    private static Map<PackModule.Ident, Integer> identification(YamlMap in, boolean flashable) {
        Map<PackModule.Ident, Integer> dids = new LinkedHashMap<>();
        for (PackModule.Ident ident : PackModule.Ident.values()) {
            boolean needed =
                    ident != PackModule.Ident.COUNTER && (ident != PackModule.Ident.TRANSFER_STATE || flashable);
            if (in.has(ident.key()) || needed) dids.put(ident, in.integer(ident.key(), 0, 0xFFFF));
        }
        in.end();
        return dids;
    }

    private Map<String, Layout> layouts(YamlMap in, Map<String, String> madeFor) {
        Map<String, Layout> layouts = new LinkedHashMap<>();
        for (String id : in.keys()) {
            YamlMap entry = in.map(id);
            layouts.put(id, layout(id, entry, madeFor));
            entry.end();
        }
        return layouts;
    }

    private Layout layout(String id, YamlMap in, Map<String, String> madeFor) {
        int length = in.integer("octets", 1, 4095);
        List<Field> fields = new ArrayList<>();
        for (YamlMap entry : in.maps("fields")) {
            Field field = field(entry);
            if (field.end() > length * 8) entry.problem("at", "ends past the block's " + length + " octets");
            else fields.add(field);
            entry.end();
        }
        Layout layout = new Layout(
                id,
                in.text("title"),
                in.integer("id", 0, 0xFFFF),
                length,
                fields,
                in.has("check") ? check(in.map("check"), length) : BlockCheck.NONE,
                in.has("factory") ? factory(in.map("factory")) : Map.of());
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

    private static Map<String, String> factory(YamlMap in) {
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
                    k -> key(k.name()));
        }
        try {
            return new Field(key, title, at, bits, kind, little, values, scale);
        } catch (IllegalArgumentException e) {
            in.problem("at", e.getMessage());
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

    private static BlockCheck check(YamlMap in, int length) {
        BlockCheck.Kind kind = in.choice("kind", List.of(BlockCheck.Kind.values()), k -> key(k.name()));
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

    private List<Pack.FaultText> faults(YamlMap in, Map<String, PackModule> modules) {
        List<Pack.FaultText> faults = new ArrayList<>();
        for (YamlMap entry : in.maps("faults")) {
            String module = known(entry, "module", modules);
            Optional<Condition> arises = entry.has("arises")
                    ? Optional.of(condition(entry.map("arises"), module, modules))
                    : Optional.empty();
            String title = entry.text("title");
            Pack.Cause cause = entry.choice("cause", List.of(Pack.Cause.values()), c -> key(c.name()));
            try {
                faults.add(new Pack.FaultText(module, FaultCode.parse(entry.text("code")), title, cause, arises));
            } catch (IllegalArgumentException e) {
                entry.problem("code", e.getMessage());
            }
            entry.end();
        }
        return faults;
    }

    private Condition condition(YamlMap in, String storing, Map<String, PackModule> modules) {
        Condition.When when = in.choice("when", List.of(Condition.When.values()), Condition.When::key);
        String module = in.has("module") ? known(in, "module", modules) : storing;
        boolean coding = when == Condition.When.CODING_BLANK || when == Condition.When.CODING_FOR_ANOTHER;
        Condition condition = new Condition(
                when,
                module,
                coding ? Optional.of(in.text("block")) : Optional.empty(),
                when == Condition.When.SOFTWARE_BELOW ? Optional.of(in.text("version")) : Optional.empty());
        PackModule looked = modules.get(module);
        if (coding
                && looked != null
                && !looked.blocks().contains(condition.block().orElse(""))) {
            in.problem("block", "is not a block of " + module);
        }
        in.end();
        return condition;
    }

    private static String known(YamlMap in, String key, Map<String, PackModule> modules) {
        String id = in.text(key);
        if (!id.isEmpty() && !modules.containsKey(id))
            in.problem(key, "names the module " + id + ", which is not there");
        return id;
    }

    private static List<Integer> numbers(YamlMap in, String key) {
        List<String> texts = in.texts(key);
        boolean good = texts.size() == 2 && texts.stream().allMatch(t -> t.matches("\\d{4}"));
        if (!good) in.problem(key, "must be two years, first and last");
        return good ? texts.stream().map(Integer::valueOf).toList() : List.of(1980, 2039);
    }

    private static java.time.Duration millis(YamlMap in, String key) {
        return java.time.Duration.ofMillis(in.integer(key, 0, 600_000));
    }

    private static java.time.Duration micros(YamlMap in, String key, int most) {
        return java.time.Duration.ofNanos(in.integer(key, 0, most) * 1000L);
    }

    private static String key(String name) {
        return name.toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
