package codrane.core.job;

import codrane.core.power.Battery;
import codrane.core.power.Chemistry;
import codrane.core.power.PowerForecast.SupportUnit;
import java.util.List;
import java.util.Optional;

/**
 * What people noted at the bench.
 *
 * @param others tools of others on the same socket, through a branch cable
 * @param battery absent until it was measured
 * @param online whether the internet is there; empty when nobody said
 */
public record BenchNotes(
        boolean cableSeen,
        boolean sleepOff,
        boolean updatesOff,
        List<Other> others,
        Optional<BatteryNote> battery,
        Optional<Boolean> online) {
    public static final BenchNotes NONE =
            new BenchNotes(false, false, false, List.of(), Optional.empty(), Optional.empty());

    /** @param writes false: it only listens */
    public record Other(String name, boolean writes) {}

    /**
     * @param restVolts without load
     * @param restedHours since it was charged or loaded
     * @param unitVolts set-point of the support unit; 0 when there is none
     * @param unitA what the unit can give
     */
    public record BatteryNote(
            String chemistry,
            double capacityAh,
            double restVolts,
            double restedHours,
            double celsius,
            double unitVolts,
            double unitA) {
        public Battery battery() {
            return new Battery(Chemistry.of(chemistry).orElseThrow(), capacityAh, restVolts, restedHours, celsius);
        }

        /** Empty when there is none. */
        public Optional<SupportUnit> supportUnit() {
            return unitVolts > 0 ? Optional.of(new SupportUnit(unitVolts, unitA)) : Optional.empty();
        }
    }

    public BenchNotes {
        others = List.copyOf(others);
    }

    /** The tool that would write besides ours. */
    public Optional<String> secondWriter() {
        return others.stream().filter(Other::writes).map(Other::name).findFirst();
    }
}
