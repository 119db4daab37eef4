package codrane.core.feature;

import codrane.core.coding.Field;
import codrane.core.pack.Feature;
import codrane.core.pack.Feature.Setting;
import codrane.core.pack.Pack;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** What features that are wanted together come to. */
public final class FeatureSet {
    private FeatureSet() {}

    public sealed interface Solved {
        /**
         * @param features in the pack's order
         * @param values by setting
         */
        record Together(List<Feature> features, Map<Setting, String> values) implements Solved {
            public Together {
                features = List.copyOf(features);
                values = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(values));
            }
        }

        /**
         * @param features wanted ones that do not go together, of which none can be left out
         * @param reason as a sentence
         */
        record Conflict(List<Feature> features, String reason) implements Solved {
            public Conflict {
                features = List.copyOf(features);
            }
        }
    }

    /**
     * @param wanted ids; the same give the same answer, in whatever order they stand
     * @throws IllegalArgumentException when the pack has no such feature
     */
    public static Solved of(Pack pack, Collection<String> wanted) {
        for (String id : wanted)
            if (pack.equipment().feature(id).isEmpty())
                throw new IllegalArgumentException("feature: " + id + " (expected one of the pack's)");
        List<Feature> asked = inOrder(pack, Set.copyOf(wanted));
        if (against(pack, asked).isEmpty()) {
            Map<Setting, String> values = new LinkedHashMap<>();
            asked.forEach(feature -> values.putAll(feature.on()));
            return new Solved.Together(asked, values);
        }
        List<Feature> least = new ArrayList<>(asked);
        for (Feature feature : asked) { // what the rest still stands against can be left out
            List<Feature> without = new ArrayList<>(least);
            without.remove(feature);
            if (against(pack, without).isPresent()) least = without;
        }
        return new Solved.Conflict(least, against(pack, least).orElseThrow());
    }

    /** Why they do not go together; empty when they do. */
    private static Optional<String> against(Pack pack, List<Feature> all) {
        Map<Setting, Feature> by = new LinkedHashMap<>();
        for (Feature feature : all) {
            if (feature.on().isEmpty()) return Optional.of("The pack does not say how " + feature.title() + " is set.");
            for (Feature other : all)
                if (feature.excludes().contains(other.id()))
                    return Optional.of(feature.title() + " does not go with " + other.title() + ".");
            for (Map.Entry<Setting, String> on : feature.on().entrySet()) {
                Feature other = by.putIfAbsent(on.getKey(), feature);
                if (other != null && !on.getValue().equals(other.on().get(on.getKey())))
                    return Optional.of(other.title() + " wants \"" + title(pack, on.getKey()) + "\" "
                            + other.on().get(on.getKey()) + ", and " + feature.title() + " " + on.getValue() + ".");
            }
        }
        return Optional.empty();
    }

    private static String title(Pack pack, Setting setting) {
        return pack.layout(setting.layout())
                .field(setting.field())
                .map(Field::title)
                .orElse(setting.field());
    }

    private static List<Feature> inOrder(Pack pack, Set<String> ids) {
        return pack.equipment().features().stream()
                .filter(f -> ids.contains(f.id()))
                .toList();
    }
}
