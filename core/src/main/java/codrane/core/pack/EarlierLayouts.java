package codrane.core.pack;

import codrane.core.coding.BlockCheck;
import codrane.core.coding.Field;
import codrane.core.coding.Layout;
import codrane.core.part.Version;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.ToIntFunction;
import org.jspecify.annotations.Nullable;

/** Reads how earlier software kept a block: what it had not yet, and what stood elsewhere. */
final class EarlierLayouts {
    private static final int MOST_BITS = 4095 * 8;

    private EarlierLayouts() {}

    /**
     * @param in the newest layout's own map, with {@code software} and perhaps {@code earlier}
     * @param madeFor field that says for which vehicle the block was made
     * @return the newest first
     */
    static List<LayoutVersion> read(YamlMap in, Layout newest, @Nullable String madeFor) {
        List<LayoutVersion> versions = new ArrayList<>();
        String from = in.text("software");
        known(in, "software", from);
        versions.add(new LayoutVersion(from, Optional.empty(), newest));
        if (!in.has("earlier")) return versions;
        for (YamlMap entry : in.maps("earlier")) {
            String below = versions.getLast().from();
            String start = entry.text("software", LayoutVersion.ANY);
            known(entry, "software", start);
            if (Version.parse(start).compareTo(Version.parse(below)) >= 0)
                entry.problem("software", "is " + start + " (expected an older one than " + below + ")");
            versions.add(new LayoutVersion(start, Optional.of(below), earlier(entry, newest, madeFor)));
            entry.end();
        }
        return versions;
    }

    private static void known(YamlMap in, String key, String version) {
        if (Version.parse(version).numbers().isEmpty())
            in.problem(key, "is " + version + " (expected a software version, like 3.08)");
    }

    private static Layout earlier(YamlMap in, Layout newest, @Nullable String madeFor) {
        int length = in.has("octets") ? in.integer("octets", 1, 4095) : newest.length();
        Set<String> without = new TreeSet<>(in.has("without") ? in.texts("without") : List.of());
        for (String key : without) if (newest.field(key).isEmpty()) in.problem("without", "names no setting: " + key);
        if (madeFor != null && without.contains(madeFor))
            in.problem("without", "leaves out " + madeFor + ", which says for which vehicle the block was made");
        BlockCheck check = in.has("check") ? LayoutReader.check(in.map("check"), length) : newest.check();
        if (Math.max(check.start() + check.length(), check.at() + check.kind().octets()) > length)
            in.problem("octets", "leave no place for the check: say where it stands");
        Map<String, String> factory = new LinkedHashMap<>(newest.factory());
        factory.keySet().removeAll(without);
        return new Layout(
                newest.id(),
                newest.title(),
                newest.dataIdentifier(),
                length,
                placed(in, newest, without, length, check),
                check,
                factory);
    }

    private static List<Field> placed(YamlMap in, Layout newest, Set<String> without, int length, BlockCheck check) {
        ToIntFunction<Field> place = places(in, newest);
        BitSet taken = new BitSet();
        taken.set(check.at() * 8, (check.at() + check.kind().octets()) * 8);
        List<Field> fields = new ArrayList<>();
        for (Field field : newest.fields()) {
            if (without.contains(field.key())) continue;
            try {
                Field here = field.movedTo(place.applyAsInt(field));
                if (here.end() > length * 8)
                    in.problem("octets", "are too few: " + here.key() + " ends past the block's " + length);
                else if (!taken.get(here.at(), here.end()).isEmpty())
                    in.problem("software", here.key() + " stands where something else stands");
                else fields.add(here);
                taken.set(here.at(), here.end());
            } catch (IllegalArgumentException e) {
                in.problem("software", String.valueOf(e.getMessage()));
            }
        }
        return fields;
    }

    /** Where a setting stood: alone moved, or with all behind some bit. */
    private static ToIntFunction<Field> places(YamlMap in, Layout newest) {
        Map<String, Integer> moved = new LinkedHashMap<>();
        if (in.has("moved")) {
            YamlMap places = in.map("moved");
            for (String key : places.keys()) {
                if (newest.field(key).isEmpty()) in.problem("moved", "names no setting: " + key);
                moved.put(key, places.integer(key, 0, MOST_BITS - 1));
            }
        }
        int from = MOST_BITS;
        int by = 0;
        if (in.has("shift")) {
            YamlMap shift = in.map("shift");
            from = shift.integer("from", 0, MOST_BITS - 1);
            by = shift.integer("by", -MOST_BITS, MOST_BITS);
            shift.end();
        }
        int behind = from;
        int bits = by;
        return field -> Optional.ofNullable(moved.get(field.key()))
                .orElse(field.at() >= behind ? field.at() + bits : field.at());
    }
}
