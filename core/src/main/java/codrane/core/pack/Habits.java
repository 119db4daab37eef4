package codrane.core.pack;

import java.time.Duration;
import java.util.List;
import java.util.Map;

/**
 * How a maker goes about things, as far as a plan depends on it.
 *
 * @param passes to the maker's service, as sold; none when it asks for none
 * @param codingSources that there are for this model, besides an old module
 * @param wording what the service information calls things: words by {@code program}, {@code configure}, {@code initialise}
 * @param keyCycle a timed turn of the key, where a module asks for one
 */
public record Habits(
        List<Pass> passes, List<CodingSource> codingSources, Map<String, List<String>> wording, KeyCycle keyCycle) {
    /**
     * @param days that it lasts
     * @param price in crowns
     */
    public record Pass(int days, int price) {}

    /**
     * @param offSeconds that the key stays off
     * @param windowSeconds in which it must be on again, or the step starts over
     */
    public record KeyCycle(int offSeconds, int windowSeconds) {
        public static final KeyCycle USUAL = new KeyCycle(10, 20);

        public Duration off() {
            return Duration.ofSeconds(offSeconds);
        }

        public Duration window() {
            return Duration.ofSeconds(windowSeconds);
        }

        public String words() {
            return "Key off for " + offSeconds + " s, then on within " + windowSeconds + " s";
        }
    }

    public Habits {
        passes = List.copyOf(passes);
        codingSources = List.copyOf(codingSources);
        wording = Map.copyOf(wording);
    }
}
