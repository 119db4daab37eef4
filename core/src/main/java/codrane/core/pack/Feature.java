package codrane.core.pack;

import java.util.List;

/**
 * Settings that belong together, as people speak of them.
 *
 * @param settings in the order in which they are shown
 */
public record Feature(String id, String title, List<Setting> settings) {
    /** One field of one block. */
    public record Setting(String layout, String field) {}

    public Feature {
        settings = List.copyOf(settings);
    }
}
