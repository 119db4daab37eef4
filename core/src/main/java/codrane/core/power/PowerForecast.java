package codrane.core.power;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * The supply voltage through a whole run, with and without a support unit: open-circuit voltage, series resistance, one
 * RC pair, steps of a second; the unit is a constant voltage with a limit.
 *
 * @param charge what the battery holds at first
 * @param withUnit absent when there is none
 * @param ratingA smallest support unit for this load: its peak by 1.2, and a tenth of the capacity to recharge (policy)
 * @param secondsToStart until the start voltage has held for 10 s under the first load; empty when not within an hour
 */
public record PowerForecast(
        StateOfCharge charge,
        Optional<Curve> withUnit,
        Curve withoutUnit,
        double ratingA,
        Optional<Integer> secondsToStart,
        Decision decision,
        String reason) {
    private static final double OHM_AMPERE_HOURS = 1.2;
    private static final double LFP_OHM_AMPERE_HOURS = 0.4;
    private static final double RC_SHARE = 0.5;
    private static final double RC_SECONDS = 30;
    private static final double ACCEPTED_SHARE = 0.25;
    private static final double RATING_MARGIN = 1.2;
    private static final double RECHARGE_SHARE = 0.1;
    private static final int START_SECONDS = 10;
    private static final int LONGEST_WAIT_SECONDS = 3600;

    /** Whether to begin. */
    public enum Decision {
        GO,
        WAIT,
        NO
    }

    /** @param setVolts that it keeps, up to {@code limitA} amperes */
    public record SupportUnit(double setVolts, double limitA) {}

    /** @param amperes drawn for so many seconds */
    public record Load(int seconds, double amperes) {}

    /**
     * @param volts after each second
     * @param usedAh taken out of the battery; negative when it was charged
     * @param endPercent state of charge at the end
     */
    public record Curve(List<Double> volts, double leastVolts, double usedAh, double endPercent) {
        public Curve {
            volts = List.copyOf(volts);
        }
    }

    /** @param loads at least one, of at least a second in all */
    public static PowerForecast of(Battery battery, Optional<SupportUnit> unit, List<Load> loads, PowerWindow window) {
        if (loads.stream().mapToInt(Load::seconds).sum() < 1)
            throw new IllegalArgumentException("loads: nothing to carry");
        StateOfCharge charge = StateOfCharge.of(battery);
        Curve without = run(battery, charge.percent(), Optional.empty(), loads);
        Optional<Curve> with = unit.map(u -> run(battery, charge.percent(), unit, loads));
        double peak = loads.stream().mapToDouble(Load::amperes).max().orElseThrow();
        List<Load> waiting =
                List.of(new Load(LONGEST_WAIT_SECONDS, loads.getFirst().amperes()));
        Optional<Integer> start = secondsTo(window.start(), run(battery, charge.percent(), unit, waiting));
        Curve real = with.orElse(without);
        Decision decision = decide(start, real, unit, window);
        return new PowerForecast(
                charge,
                with,
                without,
                peak * RATING_MARGIN + battery.capacityAh() * RECHARGE_SHARE,
                start,
                decision,
                reason(decision, start, real, unit, window));
    }

    private static Decision decide(
            Optional<Integer> start, Curve real, Optional<SupportUnit> unit, PowerWindow window) {
        boolean tooHigh = unit.filter(u -> u.setVolts() > window.upper()).isPresent();
        if (tooHigh || start.isEmpty() || real.leastVolts() < window.hold()) return Decision.NO;
        return start.get() <= START_SECONDS ? Decision.GO : Decision.WAIT;
    }

    private static String reason(
            Decision decision, Optional<Integer> start, Curve real, Optional<SupportUnit> unit, PowerWindow window) {
        boolean tooHigh = unit.filter(u -> u.setVolts() > window.upper()).isPresent();
        if (tooHigh)
            return text(
                    "The unit's %.1f V are above the %.1f V that this battery may see.",
                    unit.get().setVolts(), window.upper());
        if (start.isEmpty()) return text("The start voltage of %.1f V is not reached within an hour.", window.start());
        if (decision == Decision.NO)
            return text(
                    "The voltage falls to %.2f V in the run; it must stay above %.1f V.",
                    real.leastVolts(), window.hold());
        if (decision == Decision.WAIT)
            return text("The start voltage of %.1f V is reached in %d min.", window.start(), (start.get() + 59) / 60);
        return text("%.1f V are there, and the run does not fall below %.2f V.", window.start(), real.leastVolts());
    }

    private static String text(String form, Object... values) {
        return String.format(Locale.ROOT, form, values);
    }

    private static Optional<Integer> secondsTo(double volts, Curve curve) {
        int held = 0;
        for (int i = 0; i < curve.volts().size(); i++) {
            held = curve.volts().get(i) >= volts ? held + 1 : 0;
            if (held == START_SECONDS) return Optional.of(i + 1);
        }
        return Optional.empty();
    }

    private static Curve run(Battery battery, double percent, Optional<SupportUnit> unit, List<Load> loads) {
        Cell cell = new Cell(battery, percent);
        List<Double> volts = new ArrayList<>();
        for (Load load : loads) {
            for (int i = 0; i < load.seconds(); i++) volts.add(cell.second(load.amperes(), unit));
        }
        double least = volts.stream().mapToDouble(v -> v).min().orElseThrow();
        return new Curve(volts, least, (percent - cell.percent) / 100 * battery.capacityAh(), cell.percent);
    }

    /** The battery's state, a second at a time. */
    private static final class Cell {
        private final Battery battery;
        private final double ohm;
        private double percent;
        private double rcVolts;

        Cell(Battery battery, double percent) {
            this.battery = battery;
            this.percent = percent;
            double ohmAmpereHours = battery.chemistry() == Chemistry.LFP ? LFP_OHM_AMPERE_HOURS : OHM_AMPERE_HOURS;
            ohm = ohmAmpereHours / battery.capacityAh();
        }

        /** @return volts at the terminals */
        double second(double loadA, Optional<SupportUnit> unit) {
            double inner = battery.chemistry().voltsAt(percent) - rcVolts;
            double alone = inner - ohm * loadA;
            double batteryA = unit.map(u -> batteryAmperes(loadA, u, inner)).orElse(loadA);
            boolean held = unit.isPresent()
                    && loadA - batteryA < unit.get().limitA() - 1e-9
                    && alone < unit.get().setVolts();
            double volts = held ? unit.get().setVolts() : inner - ohm * batteryA;
            rcVolts += (batteryA * ohm * RC_SHARE - rcVolts) / RC_SECONDS;
            percent = Math.clamp(percent - batteryA / 3600 / battery.capacityAh() * 100, 0, 100);
            return volts;
        }

        /** What the battery gives, negative when it is charged; it accepts a quarter of its capacity an hour at most. */
        private double batteryAmperes(double loadA, SupportUnit unit, double inner) {
            double atSetPoint = (inner - unit.setVolts()) / ohm;
            double accepted = Math.max(atSetPoint, -battery.capacityAh() * ACCEPTED_SHARE);
            if (percent >= 100) accepted = Math.max(accepted, 0);
            double wanted = Math.min(accepted, loadA);
            return Math.max(wanted, loadA - unit.limitA());
        }
    }
}
