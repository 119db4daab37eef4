package codrane.core.job;

import codrane.core.baseline.PutBack;
import codrane.core.coding.Field;
import codrane.core.coding.Layout;
import codrane.core.octets.Bytes;
import codrane.core.pack.MarketRules;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import codrane.core.pack.Places;
import codrane.core.plan.VehicleFacts;
import codrane.core.planner.SettingLaw;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/**
 * Every setting of a vehicle with what it is now, over all modules that were read.
 *
 * @param all in the pack's order
 */
public record VehicleSettings(List<Setting> all) {
    /**
     * One of them.
     *
     * @param now as it was read, with its unit
     * @param chosen what it is to be; empty when it stays, or is that already
     * @param place its first byte, as lines are counted
     * @param law the strictest rule about changing it; empty when it is free
     */
    public record Setting(
            PackModule module,
            Layout layout,
            Field field,
            String now,
            Optional<String> chosen,
            String place,
            Optional<MarketRules.Rule> law) {
        /** Layout, slash, field: how it is named everywhere. */
        public String key() {
            return layout.id() + "/" + field.key();
        }

        /** Everything by which it is looked for, in small letters. */
        private String haystack() {
            return String.join(" ", title(), field.key(), now).toLowerCase(Locale.ROOT);
        }

        /** With the module in which it is. */
        public String title() {
            return module.title() + ": " + field.title();
        }
    }

    public VehicleSettings {
        all = List.copyOf(all);
    }

    /** What says for which vehicle a block was made is nobody's to change, and is left out. */
    public static VehicleSettings of(JobState state, Scan scan) {
        VehicleFacts facts = state.vehicleFacts(scan);
        Map<String, String> chosen = new HashMap<>();
        for (PutBack p : PlanFacts.chosenByName(state)) chosen.put(p.layout() + "/" + p.field(), p.value());
        Pack pack = state.pack(scan);
        List<Setting> all = new ArrayList<>();
        for (PackModule module : pack.modules().values())
            for (Layout layout : pack.blocksOf(module)) {
                Optional<Bytes> block = block(scan, module, layout);
                if (block.isEmpty()) continue;
                for (Field field : layout.fields()) {
                    if (field.key().equals(pack.madeFor().get(layout.id()))) continue;
                    String now = field.read(block.get());
                    all.add(new Setting(
                            module,
                            layout,
                            field,
                            now,
                            Optional.ofNullable(chosen.get(layout.id() + "/" + field.key()))
                                    .filter(wished -> !wished.equals(now)),
                            Places.of(pack, module, layout.id(), field.at() / 8),
                            SettingLaw.of(facts, module.id(), layout.id(), field.key())));
                }
            }
        return new VehicleSettings(all);
    }

    /** The block as it was read, when it is as long as the pack says. */
    public static Optional<Bytes> block(Scan scan, PackModule module, Layout layout) {
        return Optional.ofNullable(scan.readings().get(module.id()))
                .map(reading -> reading.coding().get(layout.id()))
                .filter(block -> block.length() == layout.length());
    }

    public Optional<Setting> one(String key) {
        return all.stream().filter(s -> s.key().equals(key)).findFirst();
    }

    /**
     * Those in which every word occurs: in the title, the key or the value. What begins with the first word comes first.
     *
     * @param words separated by blanks; none finds nothing
     */
    public List<Setting> find(String words) {
        List<String> wanted = Arrays.stream(words.toLowerCase(Locale.ROOT).split("\\s+"))
                .filter(word -> !word.isEmpty())
                .toList();
        if (wanted.isEmpty()) return List.of();
        return all.stream()
                .filter(s -> {
                    String haystack = s.haystack();
                    return wanted.stream().allMatch(haystack::contains);
                })
                .sorted(Comparator.comparing((Setting s) ->
                        !s.field().title().toLowerCase(Locale.ROOT).startsWith(wanted.getFirst())))
                .toList();
    }
}
