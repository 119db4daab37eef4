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
    private static final double FAILED_BELOW_EMPTY = 0.5;
    private static final double RESTED_HOURS = 4;
    private static final double TABLE_CELSIUS = 25;
    private static final double VOLTS_A_CELL_AND_DEGREE = 0.003;

    public Battery {
        if (!(capacityAh > 0)) throw new IllegalArgumentException("capacityAh: " + capacityAh + " (expected above 0)");
        if (!(restedHours >= 0))
            throw new IllegalArgumentException("restedHours: " + restedHours + " (expected 0 or more)");
    }

    /** Whether its voltage tells how full it is. */
    public boolean rested() {
        return restedHours >= RESTED_HOURS;
    }

    /** Whether it is so far below empty after a rest that a cell must have failed. */
    public boolean failedCell() {
        return rested() && restVolts < chemistry.voltsAt(0) - FAILED_BELOW_EMPTY;
    }

    /** Highest voltage that it may see at its temperature: charge voltage falls with heat (policy). */
    public double upperVolts() {
        double heat = Math.max(0, celsius - TABLE_CELSIUS);
        return chemistry.upperVolts() - VOLTS_A_CELL_AND_DEGREE * chemistry.cells() * heat;
    }
}
