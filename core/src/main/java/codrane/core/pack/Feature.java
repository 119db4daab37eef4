package codrane.core.pack;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * Settings that belong together, as people speak of them.
 *
 * @param settings in the order in which they are shown
 * @param on values that enable it; empty when the pack does not say
 * @param off values that disable it; empty when the pack does not say
 * @param needs features that come with it
 * @param excludes features that it does not go with
 * @param after what must follow, or messages remain: {@code sleep} or ids of procedures
 * @param lookFirst where it may be there already, before anything is written; may be empty
 * @param card for the customer
 */
public record Feature(
        String id,
        String title,
        List<Setting> settings,
        Map<Setting, String> on,
        Map<Setting, String> off,
        Set<String> needs,
        Set<String> excludes,
        List<String> after,
        Set<Concern> concerns,
        String lookFirst,
        Card card) {
    /** In {@code after}: the modules must have slept. */
    public static final String SLEEP = "sleep";

    /**
     * What the customer is told of it, in sentences; each may be empty.
     *
     * @param use how to use it
     * @param starts what it does when the vehicle is started
     * @param limits what it does not do
     */
    public record Card(String use, String starts, String limits) {}

    /** As people read them, in a row; empty for none. */
    public static String titles(List<Feature> features) {
        return features.stream().map(Feature::title).collect(Collectors.joining(", "));
    }

    /** One field of one block. */
    public record Setting(String layout, String field) {}

    public Feature {
        settings = List.copyOf(settings);
        on = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(on));
        off = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(off));
        needs = Set.copyOf(needs);
        excludes = Set.copyOf(excludes);
        after = List.copyOf(after);
        concerns = Set.copyOf(concerns);
    }
}
