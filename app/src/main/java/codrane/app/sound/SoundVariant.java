package codrane.app.sound;

import codrane.core.pack.Pack;
import java.util.List;
import java.util.Optional;
import java.util.TreeMap;

/**
 * The setting that says how a vehicle sounds.
 *
 * @param values that it can have, in raw order
 */
record SoundVariant(String layout, String field, List<String> values) {
    private static final String FIELD = "variant";

    static Optional<SoundVariant> of(Pack pack) {
        return pack.layouts().values().stream()
                .flatMap(layout -> layout
                        .field(FIELD)
                        .map(f -> new SoundVariant(layout.id(), FIELD, List.copyOf(new TreeMap<>(f.values()).values())))
                        .stream())
                .findFirst();
    }

    String key() {
        return layout + "/" + field;
    }
}
