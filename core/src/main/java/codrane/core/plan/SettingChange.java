package codrane.core.plan;

import codrane.core.baseline.PutBack;
import codrane.core.coding.Carried;
import codrane.core.coding.Layout;
import codrane.core.coding.LooseBit;
import codrane.core.octets.Bytes;
import codrane.core.pack.Pack;
import codrane.core.pack.Places;
import codrane.core.scan.ModuleReading;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * One setting that is to be changed.
 *
 * @param block layout id
 * @param field of the block; {@link PutBack#WHOLE} for all its octets
 * @param from as it is now, in words; empty when nobody knows
 * @param obstacle why it can't be written, as a sentence
 */
public record SettingChange(
        String module, String block, String field, String title, String from, String to, Optional<String> obstacle) {
    private static final int MOST_NAMED = 3;

    /**
     * A lost setting, on what the module holds now: another value than the one that was judged is another case.
     *
     * @param pack with the layouts of the software that is written to
     */
    public static SettingChange of(Pack pack, Map<String, ModuleReading> readings, PutBack setting) {
        Layout layout = pack.layout(setting.layout());
        Pack read = pack.as(ModuleReading.software(readings));
        Layout held = read.layout(setting.layout());
        String title = setting.whole() ? title(layout, setting) : Places.title(pack, setting.layout(), setting.field());
        Optional<String> obstacle = read.knows(setting.layout())
                ? obstacle(held, layout, title, readings.get(setting.module()), setting)
                : Optional.of("How this software keeps " + layout.title() + " is not known: nothing is written there.");
        boolean there = obstacle.isEmpty()
                && now(held, readings.get(setting.module()), setting).equals(Optional.of(setting.value()));
        return new SettingChange(
                setting.module(),
                setting.layout(),
                setting.field(),
                title,
                there ? setting.value() : setting.found(),
                setting.value(),
                obstacle);
    }

    /** As it was read; empty when its block was not, or not as the pack describes it. */
    private static Optional<String> now(Layout held, @Nullable ModuleReading reading, PutBack setting) {
        return Optional.ofNullable(reading)
                .map(r -> r.coding().get(setting.layout()))
                .filter(block -> block.length() == held.length())
                .flatMap(block -> setting.whole()
                        ? Optional.of(block.hex())
                        : held.named(setting.field()).map(f -> f.read(block)));
    }

    private static Optional<String> obstacle(
            Layout held, Layout layout, String title, @Nullable ModuleReading reading, PutBack setting) {
        Optional<Bytes> block = Optional.ofNullable(reading)
                .map(r -> r.coding().get(setting.layout()))
                .filter(b -> b.length() == held.length());
        if (block.isEmpty()) return Optional.of(layout.title() + " was not read as the pack describes it: scan again.");
        if (setting.whole() && !held.equals(layout))
            return Optional.of(
                    layout.title() + " is kept otherwise after the programming: choose its settings by name.");
        if (LooseBit.of(setting.field()).isPresent() && !held.equals(layout))
            return Optional.of(title + " is another one after the programming: nothing is written there.");
        if (!setting.whole() && layout.named(setting.field()).isEmpty())
            return Optional.of("The software has no setting \"" + title + "\".");
        if (!setting.whole()
                && layout.encode(
                                Map.of(setting.field(), setting.value()),
                                Carried.of(held, block.get(), layout).block())
                        instanceof Layout.Encoded.Refused(String reason))
            return Optional.of(title + " can't be put back: " + reason);
        String now = now(held, reading, setting).orElse("");
        return now.equals(setting.found()) || now.equals(setting.value())
                ? Optional.empty()
                : Optional.of(title + " is \"" + now + "\", and was \"" + setting.found()
                        + "\" when this was chosen: compare again.");
    }

    /** A few settings by their names, many by that of their block. */
    private static String title(Layout layout, PutBack whole) {
        List<String> named = changes(layout, whole.found(), whole.value()).stream()
                .filter(c -> LooseBit.of(c.key()).isEmpty())
                .map(Layout.Change::title)
                .toList();
        return named.isEmpty() || named.size() > MOST_NAMED ? layout.title() : String.join(" and ", named);
    }

    private static List<Layout.Change> changes(Layout layout, String from, String to) {
        return areBlocks(layout, from, to) ? layout.diff(Bytes.parse(from), Bytes.parse(to)) : List.of();
    }

    private static boolean areBlocks(Layout layout, String from, String to) {
        return from.length() == layout.length() * 2 && to.length() == from.length();
    }

    /** What all octets of a block change, setting by setting, bits that none explains by their place; a setting is itself. */
    public List<SettingChange> parts(Pack pack) {
        Layout layout = pack.layouts().get(block);
        if (!whole() || layout == null || !areBlocks(layout, from, to)) return List.of(this);
        return changes(layout, from, to).stream()
                .map(c -> new SettingChange(
                        module, block, c.key(), Places.title(pack, block, c.key()), c.from(), c.to(), Optional.empty()))
                .toList();
    }

    public boolean whole() {
        return field.equals(PutBack.WHOLE);
    }
}
