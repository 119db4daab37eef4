package codrane.core.power;

/**
 * The voltages that an operation needs. Workshop policy; these are the defaults.
 *
 * @param start volts needed before it begins
 * @param hold volts below which it pauses
 * @param upper volts that the battery must not exceed
 */
public record PowerWindow(String name, double start, double hold, double upper) {
    private static final double CRITICAL_BELOW_HOLD = 0.5;

    public static PowerWindow coding(double upper) {
        return new PowerWindow("coding", 12.9, 12.5, upper);
    }

    public static PowerWindow programming(double upper) {
        return new PowerWindow("programming", 13.3, 13.1, upper);
    }

    /** For modules whose pack says that they are demanding. */
    public static PowerWindow demanding(double upper) {
        return new PowerWindow("programming of a demanding module", 13.7, 13.5, upper);
    }

    /** For going on with what is begun: an erased module is not left waiting for the higher start voltage. */
    public PowerWindow recovering() {
        return new PowerWindow("recovery", hold, hold, upper);
    }

    /** The chemistry's limit in volts. */
    public static double upperLimit(String chemistry) {
        return chemistry.equals("lfp") ? 14.6 : 14.8;
    }

    public double critical() {
        return hold - CRITICAL_BELOW_HOLD;
    }
}
