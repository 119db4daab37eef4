package codrane.core.job;

import codrane.core.calibration.Shelved;
import codrane.core.power.SupplyReading;
import codrane.core.ready.Letter;
import codrane.core.ready.Noted;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * What Prepare knows.
 *
 * @param calibration at hand for the job's module
 * @param sheets at hand, one a module
 * @param noted about needs, by key
 * @param passUntil of the workshop's pass to the maker's service
 * @param supply newest readings of the meter, oldest first
 */
public record Prepared(
        Optional<Shelved> calibration,
        List<SheetText> sheets,
        Map<String, Noted> noted,
        List<Letter> letters,
        Optional<Instant> passUntil,
        List<SupplyReading> supply)
        implements Part {
    public static final Prepared NOTHING =
            new Prepared(Optional.empty(), List.of(), Map.of(), List.of(), Optional.empty(), List.of());

    public Prepared {
        sheets = List.copyOf(sheets);
        noted = Map.copyOf(noted);
        letters = List.copyOf(letters);
        supply = List.copyOf(supply);
    }

    public Optional<Letter> letter(String module) {
        return letters.stream().filter(l -> l.module().equals(module)).findFirst();
    }
}
