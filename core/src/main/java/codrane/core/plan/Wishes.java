package codrane.core.plan;

import codrane.core.pack.Feature;
import java.util.List;
import java.util.Map;

/**
 * What is wanted of the vehicle, where a kind of job leaves that open.
 *
 * @param settings to be changed
 * @param features to be enabled, by their ids
 * @param order what is to become of the vehicle order
 * @param otherSides as they were read: settings that belong to a changed one and stay
 */
public record Wishes(
        List<SettingChange> settings,
        List<String> features,
        OrderChange order,
        Map<Feature.Setting, String> otherSides) {
    public static final Wishes NONE = new Wishes(List.of(), List.of(), OrderChange.NONE);

    /** No setting has another side that was read. */
    public Wishes(List<SettingChange> settings, List<String> features, OrderChange order) {
        this(settings, features, order, Map.of());
    }

    /**
     * @param now option codes of the order as it was read; empty when it was not
     * @param out codes to be taken out
     * @param in codes to be put in
     */
    public record OrderChange(List<String> now, List<String> out, List<String> in) {
        public static final OrderChange NONE = new OrderChange(List.of(), List.of(), List.of());

        public OrderChange {
            now = List.copyOf(now);
            out = List.copyOf(out);
            in = List.copyOf(in);
        }

        public boolean empty() {
            return out.isEmpty() && in.isEmpty();
        }
    }

    public Wishes {
        settings = List.copyOf(settings);
        features = List.copyOf(features);
        otherSides = Map.copyOf(otherSides);
    }

    public static Wishes of(List<SettingChange> settings) {
        return new Wishes(settings, List.of(), OrderChange.NONE);
    }

    public static Wishes of(OrderChange order) {
        return new Wishes(List.of(), List.of(), order);
    }

    /** @param now settings as they are, with which the features' own are compared */
    public static Wishes of(List<String> features, List<SettingChange> now) {
        return new Wishes(now, features, OrderChange.NONE);
    }
}
