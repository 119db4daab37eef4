package codrane.app.job;

import codrane.core.plan.Stage;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * A place on a job's page that can be pointed at.
 *
 * @param key of the element
 * @param title as it follows "points at"
 */
public record Spot(String key, String title) {
    /** In the order in which they are offered. */
    static final List<Spot> ALL = all();

    private static List<Spot> all() {
        List<Spot> spots = new ArrayList<>(List.of(
                new Spot("next", "the next act"),
                new Spot("supply", "the supply"),
                new Spot("key", "the key"),
                new Spot("link", "the link"),
                new Spot("gateway", "the gateway")));
        for (Stage stage : Stage.values())
            spots.add(new Spot(
                    "stage-" + stage.key(), "the stage " + stage.title().toLowerCase(Locale.ROOT)));
        return List.copyOf(spots);
    }

    static Optional<Spot> of(String key) {
        return ALL.stream().filter(spot -> spot.key().equals(key)).findFirst();
    }
}
