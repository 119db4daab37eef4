package codrane.core.ready;

import codrane.core.access.WorkshopAccount;
import java.time.Instant;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * What Codrane itself sees to be here.
 *
 * @param files modules whose calibration is here and was checked
 * @param lineSheet whether a good one is here
 * @param reference whether another vehicle of the model was read
 * @param cableSeen whether a person looked at the cable
 * @param partHere whether the part is here
 * @param passUntil until when a pass to the maker's service runs
 * @param noted by key of the need
 * @param account what the gateway's authority knows of the workshop; empty when it was never asked
 * @param tool serial number of the connected interface
 * @param typed what people typed in
 */
public record AtHand(
        Set<String> files,
        boolean lineSheet,
        boolean reference,
        boolean cableSeen,
        boolean partHere,
        Optional<Instant> passUntil,
        Map<String, Noted> noted,
        Optional<WorkshopAccount> account,
        Optional<String> tool,
        Typed typed) {
    /**
     * @param codes kinds of codes that are kept, and good today
     * @param learned modules of which all learned values were typed
     * @param order whether the vehicle order was typed from the papers
     */
    public record Typed(Set<Need.Kind> codes, Set<String> learned, boolean order) {
        static final Typed NOTHING = new Typed(Set.of(), Set.of(), false);

        public Typed {
            codes = Set.copyOf(codes);
            learned = Set.copyOf(learned);
        }
    }

    public static final AtHand NOTHING = new AtHand(Set.of(), false, false, false, Optional.empty(), Map.of());

    /** Of a vehicle without a gateway, or before its authority was asked. */
    public AtHand(
            Set<String> files,
            boolean lineSheet,
            boolean cableSeen,
            boolean partHere,
            Optional<Instant> passUntil,
            Map<String, Noted> noted) {
        this(
                files,
                lineSheet,
                false,
                cableSeen,
                partHere,
                passUntil,
                noted,
                Optional.empty(),
                Optional.empty(),
                Typed.NOTHING);
    }

    public AtHand with(Optional<WorkshopAccount> account, Optional<String> tool) {
        return new AtHand(files, lineSheet, reference, cableSeen, partHere, passUntil, noted, account, tool, typed);
    }

    public AtHand with(Typed in) {
        return new AtHand(files, lineSheet, reference, cableSeen, partHere, passUntil, noted, account, tool, in);
    }

    public AtHand {
        files = Set.copyOf(files);
        noted = Map.copyOf(noted);
    }
}
