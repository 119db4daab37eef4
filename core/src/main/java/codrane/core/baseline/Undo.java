package codrane.core.baseline;

import codrane.core.coding.Field;
import codrane.core.coding.Layout;
import codrane.core.coding.LooseBit;
import codrane.core.octets.Bytes;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import codrane.core.pack.Places;
import codrane.core.scan.ModuleReading;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Settings as they were before the workshop first changed them: for a resale, or a warranty.
 *
 * @param settings that are not as they were
 * @param others changes that no setting puts back, each as a sentence
 */
public record Undo(List<Setting> settings, List<String> others) {
    /**
     * What was written once.
     *
     * @param dataIdentifier empty for software
     * @param before hex of what stood there; may be empty
     * @param software of the module when it was written; empty when it was not kept
     */
    public record Written(
            String module,
            String what,
            Optional<Integer> dataIdentifier,
            String before,
            String after,
            String software) {}

    /**
     * @param was before the first change
     * @param ours whether it still is as the workshop left it; else somebody changed it since
     */
    public record Setting(
            PackModule module, Layout layout, String field, String title, String was, String is, boolean ours) {
        public PutBack putBack() {
            return new PutBack(module.id(), layout.id(), field, was, is);
        }
    }

    /**
     * @param written oldest first
     * @param now every module as it was read last
     */
    public static Undo of(Pack pack, List<Written> written, Map<String, ModuleReading> now) {
        Pack today = pack.as(ModuleReading.software(now));
        Map<String, Setting> settings = new LinkedHashMap<>();
        List<String> others = new ArrayList<>();
        Set<String> programmed = new HashSet<>();
        for (Written one : written) {
            PackModule module = pack.modules().get(one.module());
            if (module == null) continue;
            if (one.dataIdentifier().isEmpty() && !one.before().isEmpty()) programmed.add(module.id());
            Optional<Layout> layout = layout(pack.as(Map.of(module.id(), one.software())), module, one);
            if (layout.isEmpty()) others.add(module.title() + ": " + one.what() + ".");
            else if (!layout.get().isBlank(Bytes.parse(one.before())))
                changed(today, module, layout.get(), one, now, settings, others);
            else if (!programmed.contains(module.id())) // which empties it, and what was in it goes back
            others.add(module.title() + ": " + layout.get().title() + " was blank before, the part was new.");
        }
        settings.values().removeIf(s -> s.is().equals(s.was()));
        return new Undo(
                List.copyOf(settings.values()), others.stream().distinct().toList());
    }

    /** The same, where only so many changes were looked at. */
    public Undo cut(int newest) {
        List<String> all = new ArrayList<>(others);
        all.add("what was changed before the newest " + newest + " changes.");
        return new Undo(settings, all);
    }

    private static Optional<Layout> layout(Pack pack, PackModule module, Written one) {
        return pack.blocksOf(module).stream()
                .filter(l -> one.dataIdentifier().equals(Optional.of(l.dataIdentifier())))
                .filter(l -> one.before().length() == 2 * l.length()
                        && one.after().length() == one.before().length())
                .findFirst();
    }

    /** @param today with the layouts of the software of now */
    private static void changed(
            Pack today,
            PackModule module,
            Layout then,
            Written one,
            Map<String, ModuleReading> now,
            Map<String, Setting> settings,
            List<String> others) {
        Layout layout = today.layout(then.id());
        Optional<Bytes> held = Optional.ofNullable(now.get(module.id()))
                .map(reading -> reading.coding().get(layout.id()));
        if (held.filter(block -> block.length() == layout.length()).isEmpty()) return;
        for (Layout.Change change : then.diff(Bytes.parse(one.before()), Bytes.parse(one.after()))) {
            boolean moved = LooseBit.of(change.key()).isPresent() && !layout.equals(then);
            Optional<Field> field = layout.named(change.key()).filter(f -> !moved);
            String title = Places.title(today, then.id(), change.key());
            if (field.isEmpty()) {
                others.add(module.title() + ": \"" + (title.equals(change.key()) ? change.title() : title)
                        + "\", which its software of now does not have.");
                continue;
            }
            String key = layout.id() + "/" + change.key();
            String there = field.get().read(held.get());
            String was =
                    Optional.ofNullable(settings.get(key)).map(Setting::was).orElse(change.from());
            settings.put(
                    key,
                    new Setting(
                            module,
                            layout,
                            change.key(),
                            title,
                            was,
                            there,
                            change.to().equals(there)));
        }
    }
}
