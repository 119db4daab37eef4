package codrane.core.pack;

import codrane.core.coding.Layout;
import codrane.core.fault.FaultCode;
import codrane.core.vin.VinRule;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Reads a pack from YAML text, naming file, line and reason of everything that is wrong. */
public final class PackLoader {
    private PackLoader() {}

    /** @param file name shown in problems */
    public static PackResult load(String file, String yaml) {
        YamlMap.Problems problems = new YamlMap.Problems(file);
        try {
            Pack pack = pack(new YamlMap(YamlText.root(file, yaml), "", problems));
            return problems.found().isEmpty() ? new PackResult.Loaded(pack) : new PackResult.Invalid(problems.found());
        } catch (YamlText.Unreadable e) {
            return new PackResult.Invalid(List.of(e.problem()));
        }
    }

    private static Pack pack(YamlMap in) {
        LayoutReader layoutReader = new LayoutReader();
        Map<String, Layout> layouts = layoutReader.layouts(in.map("layouts"));
        PackLink link = link(in.map("link"));
        Map<String, PackModule> modules = new ModuleReader(layouts, link.longestMessage()).modules(in.map("modules"));
        EquipmentReader equipment = new EquipmentReader(modules, layouts);
        Equipment equipped = equipment.equipment(in);
        equipped.immobiliser()
                .ifPresent(i ->
                        modules.replaceAll((id, module) -> i.concerns(id) ? module.inImmobiliser(i.state()) : module));
        YamlMap vin = in.map("vin");
        List<Integer> years = years(vin);
        Pack pack = new Pack(
                in.text("pack"),
                in.integer("version", 1, 1_000_000),
                in.text("title"),
                in.text("maker"),
                wmi(in),
                new VinRule(vin.flag("check-digit", true), years.getFirst(), years.getLast()),
                model(vin),
                equipment.known(vin, "reference"),
                in.text("service"),
                serviceKey(in),
                link,
                supply(in.map("supply")),
                equipped,
                in.has("gateway") ? Optional.of(gateway(in.map("gateway"), equipment)) : Optional.empty(),
                modules,
                layouts,
                layoutReader.versions(),
                layoutReader.madeFor(),
                layoutReader.settings(),
                faults(in, modules, equipment));
        vin.end();
        in.end();
        return pack;
    }

    private static String wmi(YamlMap in) {
        String wmi = in.text("wmi");
        if (!wmi.isEmpty() && !wmi.matches("[0-9A-HJ-NPR-Z]{3}")) in.problem("wmi", "must be three VIN characters");
        return wmi;
    }

    private static Optional<String> serviceKey(YamlMap in) {
        if (!in.has("service-key")) return Optional.empty();
        String key = in.text("service-key");
        if (!key.matches("[A-Za-z0-9+/]{58,59}={1,2}")) in.problem("service-key", "must be an Ed25519 key in Base64");
        return Optional.of(key);
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
        Map<String, List<String>> variants = new LinkedHashMap<>();
        if (vin.has("variants")) {
            YamlMap all = vin.map("variants");
            for (String code : all.keys()) variants.put(code, all.texts(code));
        }
        return new Pack.ModelCode(from, to, LayoutReader.texts(vin.map("models")), variants);
    }

    private static PackLink link(YamlMap in) {
        String kind = in.choice("kind", List.of("can", "can-fd", "doip"), k -> k);
        PackLink link = kind.equals("doip") ? doip(in) : can(in, kind.equals("can-fd"));
        in.end();
        return link;
    }

    private static PackLink doip(YamlMap in) {
        return new PackLink.Doip(in.integer("logical-base", 0, 0xFF00), in.integer("tester", 0, 0xFFFF));
    }

    private static PackLink can(YamlMap in, boolean fd) {
        boolean extended = in.integer("ids", 11, 29) == 29;
        return new PackLink.Can(
                in.integer("bitrate", 10_000, 1_000_000),
                fd ? Optional.of(in.integer("data-bitrate", 10_000, 8_000_000)) : Optional.empty(),
                extended,
                ids(in.map("request"), extended, in.has("addresses") ? 0 : 1),
                ids(in.map("response"), extended, 1),
                in.integer("functional", 0, extended ? 0x1FFFFFFF : 0x7FF),
                in.has("addresses") ? Optional.of(addresses(in.map("addresses"))) : Optional.empty());
    }

    private static PackLink.Addresses addresses(YamlMap in) {
        PackLink.Addresses addresses =
                new PackLink.Addresses(in.integer("tester", 0, 0xFF), in.integer("all", 0, 0xFF));
        in.end();
        return addresses;
    }

    /** @param leastTimes 0 where the address in front of the data tells requests apart */
    private static PackLink.Ids ids(YamlMap in, boolean extended, int leastTimes) {
        PackLink.Ids ids =
                new PackLink.Ids(in.integer("base", 0, 0x1FFFFFFF), in.integer("times", leastTimes, 0x10000));
        boolean fits = ids.of(0xFF) <= (extended ? 0x1FFFFFFF : 0x7FF);
        if (!fits) in.problem("base", "gives identifiers that are too long for " + (extended ? "29" : "11") + " bits");
        in.end();
        return ids;
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

    private static Pack.GatewayPolicy gateway(YamlMap in, EquipmentReader equipment) {
        Pack.GatewayPolicy policy = new Pack.GatewayPolicy(
                in.integer("from-year", 1980, 2039),
                in.constant("family", Pack.Family.values()),
                equipment.known(in, "module"),
                in.text("authority"),
                in.has("locked") ? in.constant("locked", Pack.Locked.values()) : Pack.Locked.REFUSES);
        in.end();
        return policy;
    }

    private static List<Pack.FaultText> faults(YamlMap in, Map<String, PackModule> modules, EquipmentReader equipment) {
        List<Pack.FaultText> faults = new ArrayList<>();
        for (YamlMap entry : in.maps("faults")) {
            String module = equipment.known(entry, "module");
            Optional<Condition> arises = entry.has("arises")
                    ? Optional.of(condition(entry.map("arises"), module, modules, equipment))
                    : Optional.empty();
            String title = entry.text("title");
            Pack.Cause cause = entry.constant("cause", Pack.Cause.values());
            try {
                faults.add(new Pack.FaultText(module, FaultCode.parse(entry.text("code")), title, cause, arises));
            } catch (IllegalArgumentException e) {
                entry.problem("code", String.valueOf(e.getMessage()));
            }
            entry.end();
        }
        return faults;
    }

    private static Condition condition(
            YamlMap in, String storing, Map<String, PackModule> modules, EquipmentReader equipment) {
        Condition.When when = in.constant("when", Condition.When.values());
        String module = in.has("module") ? equipment.known(in, "module") : storing;
        boolean coding = when == Condition.When.CODING_BLANK || when == Condition.When.CODING_FOR_ANOTHER;
        Condition condition = new Condition(
                when,
                module,
                coding ? Optional.of(in.text("block")) : Optional.empty(),
                when == Condition.When.SOFTWARE_BELOW ? Optional.of(in.text("version")) : Optional.empty());
        PackModule looked = modules.get(module);
        boolean known = looked == null
                || !coding
                || looked.blocks().contains(condition.block().orElse(""));
        if (!known) in.problem("block", "is not a block of " + module);
        in.end();
        return condition;
    }

    private static List<Integer> years(YamlMap vin) {
        List<String> texts = vin.texts("model-years");
        boolean good = texts.size() == 2 && texts.stream().allMatch(t -> t.matches("\\d{4}"));
        if (!good) vin.problem("model-years", "must be two years, first and last");
        return good ? texts.stream().map(Integer::valueOf).toList() : List.of(1980, 2039);
    }
}
