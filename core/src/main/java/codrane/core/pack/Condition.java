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
        VIN_FOREIGN,
        /** The module holds no VIN. */
        VIN_BLANK,
        /** A coding block was never written. */
        CODING_BLANK,
        /** A coding block was made for another vehicle. */
        CODING_FOR_ANOTHER,
        /** The module's software is older than a version. */
        SOFTWARE_BELOW,
        /** The module has no valid application software. */
        BOOT_ONLY,
        /** The module is not paired with this vehicle's immobiliser. */
        NOT_PAIRED,
        /** The module does not answer on the bus, and it was not asked to be quiet. */
        SILENT,
        /** The module is connected but not in its place. */
        NOT_MOUNTED,
        /** The module has not learned since it was programmed or coded, or has not slept since. */
        NOT_LEARNED,
        /** The module's vehicle order differs from the vehicle's. */
        ORDER_DISAGREES;

        public String key() {
            return name().toLowerCase(java.util.Locale.ROOT).replace('_', '-');
        }
    }
}
