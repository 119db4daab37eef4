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
import java.util.Set;

/** What features that are wanted together come to. */
public final class FeatureSet {
    private FeatureSet() {}

    public sealed interface Solved {
        /**
         * @param features in the pack's order, those that the wanted ones need among them
         * @param needed of these, what nobody asked for
         * @param values by setting
         */
        record Together(List<Feature> features, List<Feature> needed, Map<Setting, String> values) implements Solved {
            public Together {
                features = List.copyOf(features);
                needed = List.copyOf(needed);
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
        List<Feature> asked = pack.equipment().features(Set.copyOf(wanted));
        FeatureRules rules = new FeatureRules(pack.equipment().features());
        if (rules.goTogether(asked)) {
            List<Feature> together = pack.equipment().features().stream()
                    .filter(pack.equipment().withNeeds(asked)::contains)
                    .toList();
            Map<Setting, String> values = new LinkedHashMap<>();
            together.forEach(feature -> values.putAll(feature.on()));
            List<Feature> needed =
                    together.stream().filter(f -> !asked.contains(f)).toList();
            return new Solved.Together(together, needed, values);
        }
        List<Feature> least = new ArrayList<>(asked);
        for (Feature feature : asked) { // what the rest still stands against can be left out
            List<Feature> without = new ArrayList<>(least);
            without.remove(feature);
            if (!rules.goTogether(without)) least = without;
        }
        return new Solved.Conflict(least, why(pack, least));
    }

    /** Why they do not go together: of themselves, or of what they need. */
    private static String why(Pack pack, List<Feature> least) {
        for (Feature one : least)
            for (Feature mine : pack.equipment().withNeeds(List.of(one))) {
                if (mine.on().isEmpty()) return "The pack does not say how " + named(mine, one) + " is set.";
                for (Feature two : least)
                    for (Feature theirs : pack.equipment().withNeeds(List.of(two)))
                        if (FeatureRules.standAgainst(mine, theirs)) return sentence(pack, one, mine, two, theirs);
            }
        throw new IllegalStateException("Nothing stands against " + least);
    }

    private static String sentence(Pack pack, Feature one, Feature mine, Feature two, Feature theirs) {
        boolean said =
                mine.excludes().contains(theirs.id()) || theirs.excludes().contains(mine.id());
        if (said) return named(mine, one) + " does not go with " + named(theirs, two) + ".";
        Map.Entry<Setting, String> both = mine.on().entrySet().stream()
                .filter(on -> theirs.on().containsKey(on.getKey())
                        && !on.getValue().equals(theirs.on().get(on.getKey())))
                .findFirst()
                .orElseThrow();
        return named(mine, one) + " wants \"" + title(pack, both.getKey()) + "\" " + both.getValue() + ", and "
                + named(theirs, two) + " " + theirs.on().get(both.getKey()) + ".";
    }

    private static String named(Feature feature, Feature wanted) {
        return feature.equals(wanted) ? feature.title() : feature.title() + ", which " + wanted.title() + " needs,";
    }

    private static String title(Pack pack, Setting setting) {
        return pack.layout(setting.layout())
                .field(setting.field())
                .map(Field::title)
                .orElse(setting.field());
    }
}
