package codrane.core.power;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * The supply voltage through a whole run, with and without a support unit, in steps of a second; the unit is a constant
 * voltage with a limit, and what it gives beyond the load charges the battery and so raises the voltage within minutes.
 *
 * @param charge what the battery holds at first
 * @param withUnit absent when there is none; from when the run may begin
 * @param ratingA smallest support unit for this load: its peak by 1.2, and a tenth of the capacity to recharge (policy)
 * @param secondsToStart until the run may begin: the start voltage has held for 10 s under the first load, and the battery
 *     is charged so far that the run holds; empty when not within an hour
 */
public record PowerForecast(
        StateOfCharge charge,
        Optional<Curve> withUnit,
        Curve withoutUnit,
        double ratingA,
        Optional<Integer> secondsToStart,
        Decision decision,
        String reason) {
    private static final double RATING_MARGIN = 1.2;
    private static final double RECHARGE_SHARE = 0.1;
    private static final int START_SECONDS = 10;
    /** So long a start is "at once". */
    private static final int AT_ONCE_SECONDS = 30;

    /** Emptier than this nothing is begun, whatever the unit holds: a cable that slips ends it at once. */
    private static final double LEAST_PERCENT = 20;

    private static final int LONGEST_WAIT_SECONDS = 3600;
    private static final int WAIT_STEP_SECONDS = 60;

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
        return new Forecaster(battery, unit, loads, window).forecast();
    }

    private static final class Forecaster {
        private final Battery battery;
        private final Optional<SupportUnit> unit;
        private final List<Load> loads;
        private final PowerWindow window;
        private final StateOfCharge charge;
        private final double rating;
        private boolean reached;

        Forecaster(Battery battery, Optional<SupportUnit> unit, List<Load> loads, PowerWindow window) {
            this.battery = battery;
            this.unit = unit;
            this.loads = loads;
            this.window = window;
            charge = StateOfCharge.of(battery);
            double peak = loads.stream().mapToDouble(Load::amperes).max().orElseThrow();
            rating = peak * RATING_MARGIN + battery.capacityAh() * RECHARGE_SHARE;
        }

        PowerForecast forecast() {
            Curve without = run(new BatteryModel(battery, charge.percent()), Optional.empty());
            Optional<String> never = never();
            Optional<Integer> start = never.isPresent() ? Optional.empty() : start();
            BatteryModel begins = new BatteryModel(battery, charge.percent());
            start.ifPresent(seconds -> charged(begins, seconds - START_SECONDS));
            Optional<Curve> with = unit.map(u -> run(begins, unit));
            Decision decision = decide(start);
            String reason = never.orElseGet(() -> reason(decision, start, with.orElse(without)));
            return new PowerForecast(charge, with, without, rating, start, decision, reason);
        }

        /** What no waiting mends. */
        private Optional<String> never() {
            double upper = Math.min(window.upper(), battery.upperVolts());
            if (battery.failedCell())
                return Optional.of(text(
                        "%.2f V after %.0f h of rest is far below empty: a cell has failed. Replace the battery first.",
                        battery.restVolts(), battery.restedHours()));
            if (unit.isEmpty()) return Optional.empty();
            if (battery.chemistry() == Chemistry.LFP && battery.celsius() < 0)
                return Optional.of(text(
                        "At %.0f °C this battery must not be charged, and a support unit does that: warm it first.",
                        battery.celsius()));
            if (unit.get().setVolts() > upper)
                return Optional.of(text(
                        "The unit's %.1f V are above the %.1f V that this battery may see%s.",
                        unit.get().setVolts(),
                        upper,
                        upper < window.upper() ? text(" at %.0f °C", battery.celsius()) : ""));
            return Optional.empty();
        }

        private Decision decide(Optional<Integer> start) {
            if (start.isEmpty()) return Decision.NO;
            boolean ample = unit.map(u -> u.limitA() >= rating).orElse(true);
            return ample && start.get() <= AT_ONCE_SECONDS ? Decision.GO : Decision.WAIT;
        }

        /** The first moment from which the start voltage holds, and the run after it. */
        private Optional<Integer> start() {
            BatteryModel model = new BatteryModel(battery, charge.percent());
            double first = loads.getFirst().amperes();
            int held = 0;
            boolean drains = unit.isEmpty();
            for (int second = 1; second <= LONGEST_WAIT_SECONDS; second++) {
                if (drains && second > AT_ONCE_SECONDS) return Optional.empty(); // waiting only empties it
                held = model.second(first, unit) >= window.start() ? held + 1 : 0;
                reached |= held == START_SECONDS;
                if (model.percent() < LEAST_PERCENT) continue;
                boolean looks = held == START_SECONDS || held > START_SECONDS && second % WAIT_STEP_SECONDS == 0;
                if (looks && run(new BatteryModel(model), unit).leastVolts() >= window.hold())
                    return Optional.of(second);
            }
            return Optional.empty();
        }

        private void charged(BatteryModel model, int seconds) {
            for (int i = 0; i < seconds; i++) model.second(loads.getFirst().amperes(), unit);
        }

        private Curve run(BatteryModel model, Optional<SupportUnit> by) {
            double begin = model.percent();
            List<Double> volts = new ArrayList<>();
            for (Load load : loads) {
                for (int i = 0; i < load.seconds(); i++) volts.add(model.second(load.amperes(), by));
            }
            double least = volts.stream().mapToDouble(v -> v).min().orElseThrow();
            return new Curve(volts, least, (begin - model.percent()) / 100 * battery.capacityAh(), model.percent());
        }

        private String reason(Decision decision, Optional<Integer> start, Curve real) {
            double first = loads.getFirst().amperes();
            return switch (decision) {
                case GO ->
                    text(
                            "%.1f V are there, and the run does not fall below %.2f V.",
                            window.start(), real.leastVolts());
                case WAIT ->
                    text(
                            "Charge it first: the start voltage of %.1f V holds after about %d min at %.0f A; then the run"
                                    + " does not fall below %.2f V.%s",
                            window.start(),
                            Math.ceilDiv(start.orElseThrow(), 60),
                            unit.map(u -> Math.max(0, u.limitA() - first)).orElse(0.0),
                            real.leastVolts(),
                            unit.filter(u -> u.limitA() < rating).isPresent()
                                    ? text(" A unit of %.0f A leaves a margin.", rating)
                                    : "");
                case NO -> no(real);
            };
        }

        private String no(Curve real) {
            if (unit.isEmpty())
                return text(
                        "Without a support unit %.1f V are not held: one of %.0f A is needed, set to %.1f V.",
                        window.start(), rating, Math.min(window.start() + 0.5, window.upper()));
            if (charge.percent() < LEAST_PERCENT)
                return text(
                        "The battery holds %.0f %%: charge it to %.0f %% before anything is begun.",
                        charge.percent(), LEAST_PERCENT);
            if (reached)
                return text(
                        "The voltage falls to %.2f V in the run; it must stay above %.1f V. A unit of %.0f A is needed.",
                        real.leastVolts(), window.hold(), rating);
            return text(
                    "The start voltage of %.1f V is not reached within an hour. A unit of %.0f A is needed, set above it.",
                    window.start(), rating);
        }
    }

    private static String text(String form, Object... values) {
        return String.format(Locale.ROOT, form, values);
    }
}
