package codrane.core.pack;

import codrane.core.coding.Layout;
import codrane.core.pack.PackModule.Ident;
import codrane.core.part.SerialMask;
import codrane.core.part.Version;
import java.time.Duration;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.regex.PatternSyntaxException;

/** Reads the modules of a pack. */
final class ModuleReader {
    private static final Set<Ident> NEEDED =
            Set.of(Ident.VIN, Ident.PART, Ident.HARDWARE, Ident.SOFTWARE, Ident.SERIAL);

    private final Map<String, Layout> layouts;
    private final int mostBlockOctets;

    /** @param mostBlockOctets longest message that the link carries */
    ModuleReader(Map<String, Layout> layouts, int mostBlockOctets) {
        this.layouts = layouts;
        this.mostBlockOctets = mostBlockOctets;
    }

    Map<String, PackModule> modules(YamlMap in) {
        Map<String, PackModule> modules = new LinkedHashMap<>();
        Map<Integer, String> addresses = new LinkedHashMap<>();
        for (String id : in.keys()) {
            YamlMap entry = in.map(id);
            PackModule module = module(id, entry);
            String other = addresses.put(module.address(), id);
            if (other != null) entry.problem("address", "is also the address of " + other);
            modules.put(id, module);
        }
        if (modules.isEmpty()) in.problem("", "needs at least one module");
        modules.values().forEach(module -> references(in.map(module.id()), module, modules.keySet()));
        return modules;
    }

    private static void references(YamlMap in, PackModule module, Set<String> ids) {
        module.software().requires().keySet().stream()
                .filter(other -> !ids.contains(other))
                .forEach(other -> in.problem("software", "requires the module " + other + ", which is not there"));
        module.traits()
                .learnsVinFrom()
                .filter(other -> !ids.contains(other))
                .ifPresent(other ->
                        in.problem("traits", "learns the VIN from the module " + other + ", which is not there"));
        if (module.traits().learnsVinFrom().isPresent()
                != module.traits().forgetVin().isPresent())
            in.problem("traits", "learns-vin-from and forget-vin belong together");
    }

    private PackModule module(String id, YamlMap in) {
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
                blocks.stream().filter(layouts::containsKey).toList(),
                in.mapsIfAny("live").stream().map(ModuleReader::live).toList(),
                in.mapsIfAny("adaptations").stream()
                        .map(ModuleReader::adaptation)
                        .toList(),
                in.has("obd") ? Optional.of(obd(in.map("obd"))) : Optional.empty());
        in.end();
        return module;
    }

    private static Optional<SerialMask> licence(YamlMap traits) {
        if (!traits.has("licence")) return Optional.empty();
        Optional<SerialMask> mask = SerialMask.parse(traits.text("licence"));
        if (mask.isEmpty())
            traits.problem("licence", "is no mask (expected A, a, 9, X and characters that stand for themselves)");
        return mask;
    }

    private static PackModule.Traits traits(YamlMap in) {
        if (!in.has("traits"))
            return new PackModule.Traits(
                    VinLock.REWRITABLE,
                    false,
                    false,
                    List.of(),
                    List.of(),
                    Set.of(),
                    Optional.empty(),
                    Optional.empty(),
                    Optional.empty(),
                    Duration.ZERO);
        YamlMap traits = in.map("traits");
        PackModule.Traits read = new PackModule.Traits(
                traits.has("vin") ? traits.constant("vin", VinLock.values()) : VinLock.REWRITABLE,
                traits.flag("demanding", false),
                traits.flag("wired-only", false),
                traits.texts("looks"),
                traits.texts("uncoded"),
                concerns(traits),
                traits.has("learns-vin-from") ? Optional.of(traits.text("learns-vin-from")) : Optional.empty(),
                traits.has("forget-vin") ? Optional.of(traits.integer("forget-vin", 0, 0xFFFF)) : Optional.empty(),
                licence(traits),
                Duration.ofSeconds(traits.has("turns-key-s") ? traits.integer("turns-key-s", 1, 60) : 0));
        traits.end();
        return read;
    }

    static Set<Concern> concerns(YamlMap in) {
        return in.constants("concerns", Concern.values());
    }

    private static PackModule.Parts parts(YamlMap in) {
        String pattern = in.text("pattern");
        Pattern compiled = Pattern.compile("(?<base>.*)(?<suffix>)");
        try {
            Pattern own = Pattern.compile(pattern);
            if (own.namedGroups().keySet().containsAll(List.of("base", "suffix"))) compiled = own;
            else in.problem("pattern", "needs the groups base and suffix");
        } catch (PatternSyntaxException e) {
            in.problem("pattern", "is no regular expression: " + e.getDescription());
        }
        String fitted = in.text("fitted");
        if (!fitted.isEmpty() && !compiled.matcher(fitted).matches())
            in.problem("fitted", "does not match the pattern");
        PackModule.Parts parts = new PackModule.Parts(
                compiled,
                fitted.isEmpty() ? "?" : fitted,
                in.textLists("interchangeable"),
                in.texts("chain"),
                years(in));
        in.end();
        return parts;
    }

    private static Optional<PackModule.Years> years(YamlMap in) {
        if (!in.has("years")) return Optional.empty();
        List<String> years = in.texts("years");
        boolean good = years.size() == 2 && years.stream().allMatch(y -> y.matches("\\d{4}"));
        if (good)
            return Optional.of(
                    new PackModule.Years(Integer.parseInt(years.getFirst()), Integer.parseInt(years.getLast())));
        in.problem("years", "must be two years, like [2018, 2026]");
        return Optional.empty();
    }

    private static PackModule.Software software(YamlMap in) {
        String current = in.text("current");
        PackModule.Software software = new PackModule.Software(
                current,
                in.text("needed", current),
                history(in, current),
                in.has("requires") ? LayoutReader.texts(in.map("requires")) : Map.of(),
                in.has("file") ? file(in.map("file")) : FileRoute.AT_ONCE);
        in.end();
        return software;
    }

    private static List<String> history(YamlMap in, String current) {
        if (!in.has("history")) return List.of();
        List<String> history = in.texts("history");
        for (int i = 0; i < history.size(); i++) {
            String next = i + 1 < history.size() ? history.get(i + 1) : current;
            if (Version.parse(history.get(i)).compareTo(Version.parse(next)) >= 0)
                in.problem("history", history.get(i) + " is not older than " + next);
        }
        return history;
    }

    private static FileRoute file(YamlMap in) {
        FileRoute route = new FileRoute(
                in.constant("way", FileRoute.Way.values()),
                Duration.ofHours(in.integer("hours", 0, 24 * 60, 0)),
                in.integer("price", 0, 1_000_000, 0),
                in.integer("tokens", 0, 1000, 0));
        in.end();
        return route;
    }

    private PackModule.Flash flash(YamlMap in) {
        PackModule.Flash flash = new PackModule.Flash(
                range(in.map("segment")),
                range(in.map("version")),
                range(in.map("hardware")),
                in.constant("resume", PackModule.Resume.values()),
                in.integer("block-bytes", 3, mostBlockOctets),
                in.micros("st-min-us", 127_000),
                in.integer("block-size", 0, 255),
                in.millis("erase-ms", 600_000),
                in.micros("block-us", 10_000_000),
                in.millis("verify-ms", 600_000),
                in.has("before") ? before(in.map("before")) : new PackModule.Before(List.of(), "", ""));
        in.end();
        return flash;
    }

    private static PackModule.Before before(YamlMap in) {
        PackModule.Before before = new PackModule.Before(
                EquipmentReader.needs(in, in.someTexts("needs")), in.text("how", ""), in.text("after", ""));
        in.end();
        return before;
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
                in.millis("p2-ms", 600_000),
                in.millis("p2-star-ms", 600_000),
                in.integer("security-level", 1, 0x41),
                in.number("security-mask", 0, 0xFFFFFFFFL));
        in.end();
        return session;
    }

    private static Map<Ident, Integer> identification(YamlMap in, boolean flashable) {
        Map<Ident, Integer> dids = new LinkedHashMap<>();
        for (Ident ident : Ident.values()) {
            if (ident == Ident.IMMOBILISER) continue; // which is said of all its members together
            boolean needed = NEEDED.contains(ident) || ident == Ident.TRANSFER_STATE && flashable;
            if (in.has(ident.key()) || needed) dids.put(ident, in.integer(ident.key(), 0, 0xFFFF));
        }
        in.end();
        return dids;
    }

    private static LiveValue live(YamlMap in) {
        YamlMap goes = in.map("goes");
        LiveValue.Behaviour behaviour = new LiveValue.Behaviour(
                goes.decimal("off", -1e6, 1e6),
                goes.decimal("on", -1e6, 1e6),
                goes.decimal("running", -1e6, 1e6),
                goes.has("seconds") ? goes.decimal("seconds", 0, 3600) : 0,
                goes.has("ripple") ? goes.decimal("ripple", 0, 1e6) : 0);
        goes.end();
        LiveValue live = new LiveValue(
                in.integer("id", 0, 0xFFFF),
                in.text("key"),
                in.text("title"),
                scaling(in),
                behaviour,
                in.flag("controllable", false));
        in.end();
        return live;
    }

    private static Adaptation adaptation(YamlMap in) {
        Adaptation adaptation = new Adaptation(
                in.integer("id", 0, 0xFFFF),
                in.text("key"),
                in.text("title"),
                scaling(in),
                in.decimal("learned", -1e6, 1e6),
                in.has("fresh") ? in.decimal("fresh", -1e6, 1e6) : 0);
        in.end();
        return adaptation;
    }

    private static LiveValue.Scaling scaling(YamlMap in) {
        int bits = in.integer("bits", 8, 32, 16);
        if (bits % 8 != 0 || bits == 24) in.problem("bits", "is " + bits + " (expected 8, 16 or 32)");
        return new LiveValue.Scaling(
                bits == 8 || bits == 32 ? bits : 16,
                in.has("factor") ? in.decimal("factor", 0.000001, 1_000_000) : 1,
                in.has("offset") ? in.decimal("offset", -1e6, 1e6) : 0,
                in.text("unit", ""));
    }

    private static Obd obd(YamlMap in) {
        List<String> calibrations = in.texts("calibrations");
        boolean good = !calibrations.isEmpty() && calibrations.stream().allMatch(c -> c.matches("[A-Z0-9-]{1,16}"));
        if (!good) in.problem("calibrations", "must be names of 1 to 16 capital letters, digits and dashes");
        Obd obd = new Obd(in.integer("index", 0, 7), calibrations);
        in.end();
        return obd;
    }
}
