package codrane.core.plan;

import codrane.core.baseline.PutBack;
import codrane.core.coding.Carried;
import codrane.core.coding.Field;
import codrane.core.coding.Layout;
import codrane.core.octets.Bytes;
import codrane.core.pack.Pack;
import codrane.core.scan.ModuleReading;
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
    /**
     * A lost setting, on what the module holds now: another value than the one that was judged is another case.
     *
     * @param pack with the layouts of the software that is written to
     */
    public static SettingChange of(Pack pack, Map<String, ModuleReading> readings, PutBack setting) {
        Layout layout = pack.layout(setting.layout());
        Layout held = pack.as(ModuleReading.software(readings)).layout(setting.layout());
        String title = setting.whole() ? layout.title() : titleOf(layout, setting.field());
        Optional<String> obstacle = obstacle(held, layout, title, readings.get(setting.module()), setting);
        return new SettingChange(
                setting.module(), setting.layout(), setting.field(), title, setting.found(), setting.value(), obstacle);
    }

    /** The title of a field, its key when there is none. */
    public static String titleOf(Layout layout, String field) {
        return layout.field(field).map(Field::title).orElse(field);
    }

    private static Optional<String> obstacle(
            Layout held, Layout layout, String title, @Nullable ModuleReading reading, PutBack setting) {
        Optional<Bytes> block = Optional.ofNullable(reading).map(r -> r.coding().get(setting.layout()));
        if (held.fields().isEmpty())
            return Optional.of(
                    "How this software keeps " + layout.title() + " is not known: nothing is written there.");
        if (block.isEmpty() || block.get().length() != held.length())
            return Optional.of(layout.title() + " was not read as the pack describes it: scan again.");
        if (setting.whole() && !held.equals(layout))
            return Optional.of(
                    layout.title() + " is kept otherwise after the programming: choose its settings by name.");
        if (!setting.whole() && layout.field(setting.field()).isEmpty())
            return Optional.of("The software has no setting \"" + title + "\".");
        if (!setting.whole()
                && layout.encode(
                                Map.of(setting.field(), setting.value()),
                                Carried.of(held, block.get(), layout).block())
                        instanceof Layout.Encoded.Refused(String reason))
            return Optional.of(title + " can't be put back: " + reason);
        String now =
                setting.whole() ? block.get().hex() : held.decode(block.get()).getOrDefault(setting.field(), "");
        return now.equals(setting.found())
                ? Optional.empty()
                : Optional.of(title + " is \"" + now + "\", and was \"" + setting.found()
                        + "\" when this was chosen: compare again.");
    }

    public boolean whole() {
        return field.equals(PutBack.WHOLE);
    }
}
