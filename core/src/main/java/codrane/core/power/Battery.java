package codrane.core.power;

/**
 * A battery as it was found.
 *
 * @param capacityAh greater than 0
 * @param restVolts without load
 * @param restedHours since it was last charged or loaded, 0 or more
 * @param celsius of the battery
 */
public record Battery(Chemistry chemistry, double capacityAh, double restVolts, double restedHours, double celsius) {
    public Battery {
        if (!(capacityAh > 0)) throw new IllegalArgumentException("capacityAh: " + capacityAh + " (expected above 0)");
        if (!(restedHours >= 0))
            throw new IllegalArgumentException("restedHours: " + restedHours + " (expected 0 or more)");
    }
}
