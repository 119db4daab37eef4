package codrane.core.plan;

import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * What people answered where nothing can be read.
 *
 * @param identity why a module carries another VIN, by module
 * @param newerRight modules whose software is newer than any that is known, and was said to be right
 * @param complaint in the customer's words; may be empty
 * @param file software version of the calibration at hand
 * @param proved what came of the last try of the function
 */
public record Said(
        Map<String, Whose> identity, Set<String> newerRight, String complaint, Optional<String> file, Proved proved) {
    public static final Said NOTHING = new Said(Map.of(), Set.of(), "", Optional.empty(), Proved.NOT_YET);

    /** Why a module carries another VIN. */
    public enum Whose {
        SWAPPED_BEFORE,
        ANOTHER_VEHICLE
    }

    /** What a person found when the function was tried. */
    public enum Proved {
        NOT_YET,
        WORKS,
        DOES_NOT_WORK,
        NOT_TRIED
    }

    public Said {
        identity = Map.copyOf(identity);
        newerRight = Set.copyOf(newerRight);
    }

    public Said with(Map<String, Whose> whose) {
        return new Said(whose, newerRight, complaint, file, proved);
    }

    public Said withNewerRight(Set<String> modules) {
        return new Said(identity, modules, complaint, file, proved);
    }

    public Said withComplaint(String text) {
        return new Said(identity, newerRight, text, file, proved);
    }

    /** @param version of the calibration that is to be written */
    public Said withFile(String version) {
        return new Said(identity, newerRight, complaint, Optional.of(version), proved);
    }

    public Said with(Proved found) {
        return new Said(identity, newerRight, complaint, file, found);
    }
}
