package codrane.core.job;

import codrane.core.calibration.Shelved;
import codrane.core.octets.Bytes;
import codrane.core.power.SupplyReading;
import codrane.core.ready.Letter;
import codrane.core.ready.Need;
import codrane.core.ready.Noted;
import java.time.Instant;
import java.time.LocalDate;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * What Prepare knows.
 *
 * @param calibration at hand for the job's module
 * @param sheets at hand, one a module
 * @param noted about needs, by key
 * @param passUntil of the workshop's pass to the maker's service
 * @param codes that are kept, by kind
 * @param typed what people typed in besides
 * @param supply newest readings of the meter, oldest first
 */
public record Prepared(
        Optional<Shelved> calibration,
        List<SheetText> sheets,
        Map<String, Noted> noted,
        List<Letter> letters,
        Optional<Instant> passUntil,
        Map<Need.Kind, KeptCode> codes,
        Typed typed,
        List<SupplyReading> supply)
        implements Part {
    public static final Prepared NOTHING = new Prepared(
            Optional.empty(), List.of(), Map.of(), List.of(), Optional.empty(), Map.of(), Typed.NOTHING, List.of());

    /**
     * What people typed in, or judged.
     *
     * @param learned octets of what an old part had learned, by module and key of the adaptation
     * @param gaps of a coding from other vehicles, by layout and field
     * @param order codes of the vehicle order, from the papers
     */
    public record Typed(Map<String, Map<String, Bytes>> learned, Map<String, String> gaps, List<String> order) {
        public static final Typed NOTHING = new Typed(Map.of(), Map.of(), List.of());

        public Typed {
            learned = Map.copyOf(learned);
            gaps = Map.copyOf(gaps);
            order = List.copyOf(order);
        }
    }

    /** When a code was typed, and by whom; the code itself is not here. */
    public record KeptCode(Instant at, String who) {}

    public Prepared {
        sheets = List.copyOf(sheets);
        noted = Map.copyOf(noted);
        letters = List.copyOf(letters);
        codes = Map.copyOf(codes);
        supply = List.copyOf(supply);
    }

    /** Codes that the vehicle would take now: one of the day ends with it. */
    public Set<Need.Kind> codesHere(Now now) {
        Set<Need.Kind> here = EnumSet.noneOf(Need.Kind.class);
        codes.forEach((kind, code) -> {
            boolean past = kind == Need.Kind.DAILY_CODE
                    && !LocalDate.ofInstant(code.at(), now.zone()).equals(now.today());
            if (!past) here.add(kind);
        });
        return here;
    }

    public Optional<Letter> letter(String module) {
        return letters.stream().filter(l -> l.module().equals(module)).findFirst();
    }
}
