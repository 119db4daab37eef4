package codrane.core.ready;

import java.time.Instant;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * What Codrane itself sees to be here.
 *
 * @param files modules whose calibration is here and was checked
 * @param lineSheet whether a good one is here
 * @param cableSeen whether a person looked at the cable
 * @param partHere whether the part is here
 * @param passUntil until when a pass to the maker's service runs
 * @param noted by key of the need
 */
public record AtHand(
        Set<String> files,
        boolean lineSheet,
        boolean cableSeen,
        boolean partHere,
        Optional<Instant> passUntil,
        Map<String, Noted> noted) {
    public static final AtHand NOTHING = new AtHand(Set.of(), false, false, false, Optional.empty(), Map.of());

    public AtHand {
        files = Set.copyOf(files);
        noted = Map.copyOf(noted);
    }
}
