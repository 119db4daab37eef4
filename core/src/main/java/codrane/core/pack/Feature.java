package codrane.core.pack;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Settings that belong together, as people speak of them.
 *
 * @param settings in the order in which they are shown
 * @param on values that enable it; empty when the pack does not say
 * @param excludes features that it does not go with
 * @param after what must follow, or messages remain: {@code sleep} or ids of procedures
 * @param lookFirst where it may be there already, before anything is written; may be empty
 */
public record Feature(
        String id,
        String title,
        List<Setting> settings,
        Map<Setting, String> on,
        Set<String> excludes,
        List<String> after,
        Set<Concern> concerns,
        String lookFirst) {
    /** In {@code after}: the modules must have slept. */
    public static final String SLEEP = "sleep";

    /** One field of one block. */
    public record Setting(String layout, String field) {}

    public Feature {
        settings = List.copyOf(settings);
        on = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(on));
        excludes = Set.copyOf(excludes);
        after = List.copyOf(after);
        concerns = Set.copyOf(concerns);
    }
}
