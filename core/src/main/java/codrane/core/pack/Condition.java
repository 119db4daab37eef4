package codrane.core.pack;

import java.util.Optional;

/**
 * A state of a simulated vehicle from which a fault arises.
 *
 * @param module whose state is meant; the one that stores the fault when the pack names none
 * @param block layout id, for the coding conditions
 * @param version for {@code SOFTWARE_BELOW}
 */
public record Condition(When when, String module, Optional<String> block, Optional<String> version) {
    /** The closed vocabulary of pack conditions. */
    public enum When {
        /** The module's VIN is another vehicle's. */
        VIN_FOREIGN("vin-foreign"),
        /** The module holds no VIN. */
        VIN_BLANK("vin-blank"),
        /** A coding block was never written. */
        CODING_BLANK("coding-blank"),
        /** A coding block was made for another vehicle. */
        CODING_FOR_ANOTHER("coding-for-another"),
        /** The module's software is older than a version. */
        SOFTWARE_BELOW("software-below"),
        /** The module has no valid application software. */
        BOOT_ONLY("boot-only");

        private final String key;

        When(String key) {
            this.key = key;
        }

        public String key() {
            return key;
        }
    }
}
