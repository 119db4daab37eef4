package codrane.core.power;

import codrane.core.power.PowerForecast.SupportUnit;
import java.util.Optional;

/**
 * A battery's state, a second at a time: open-circuit voltage, series resistance, one RC pair, and under charge a
 * polarisation that builds up within minutes. Figures of policy; Source: unchecked.
 */
final class BatteryModel {
    private static final double OHM_AMPERE_HOURS = 1.2;
    private static final double LFP_OHM_AMPERE_HOURS = 0.4;
    private static final double RC_SHARE = 0.5;
    private static final double RC_SECONDS = 30;
    private static final double POLARISATION_SECONDS = 400;
    /** Polarisation goes faster than it came: what is drawn takes the surface charge away. */
    private static final double DRAWN_SECONDS = 60;
    /** At this voltage a battery takes what it accepts. */
    private static final double CHARGE_VOLTS = 14.4;

    private static final double ACCEPTED_SHARE = 0.25;
    private static final double LEAST_SHARE = 0.01;
    /** From this charge on it accepts less and less. */
    private static final double FULL_ACCEPTANCE_TO = 50;

    private static final double TABLE_CELSIUS = 25;
    private static final double OHM_A_DEGREE = 0.01;
    private static final double ACCEPTANCE_A_DEGREE = 0.02;
    private static final double LEAST_ACCEPTANCE = 0.1;

    private final Battery battery;
    private final double ohm;
    private double percent;
    private double rcVolts;
    private double polarisation;

    BatteryModel(Battery battery, double percent) {
        this.battery = battery;
        this.percent = percent;
        double ohmAmpereHours = battery.chemistry() == Chemistry.LFP ? LFP_OHM_AMPERE_HOURS : OHM_AMPERE_HOURS;
        ohm = ohmAmpereHours / battery.capacityAh() * (1 + OHM_A_DEGREE * cold());
    }

    BatteryModel(BatteryModel other) {
        battery = other.battery;
        ohm = other.ohm;
        percent = other.percent;
        rcVolts = other.rcVolts;
        polarisation = other.polarisation;
    }

    double percent() {
        return percent;
    }

    private double cold() {
        return Math.max(0, TABLE_CELSIUS - battery.celsius());
    }

    /** Amperes that it takes at the charge voltage: less when it is full, less when it is cold. */
    private double accepted() {
        double share = ACCEPTED_SHARE * Math.min(1, (100 - percent) / (100 - FULL_ACCEPTANCE_TO));
        double warm = Math.max(LEAST_ACCEPTANCE, 1 - ACCEPTANCE_A_DEGREE * cold());
        return Math.max(share, LEAST_SHARE) * warm * battery.capacityAh();
    }

    /** @return volts at the terminals after a second under such a load */
    double second(double loadA, Optional<SupportUnit> unit) {
        double inner = battery.chemistry().voltsAt(percent) - rcVolts + polarisation;
        double drawn = unit.map(u -> drawn(loadA, u, inner)).orElse(loadA);
        double volts = inner - ohm * drawn;
        rcVolts += (drawn * ohm * RC_SHARE - rcVolts) / RC_SECONDS;
        double over = Math.max(0, CHARGE_VOLTS - battery.chemistry().voltsAt(percent)) / accepted();
        double target = drawn < 0 ? -drawn * over : 0;
        polarisation += (target - polarisation) / (target < polarisation ? DRAWN_SECONDS : POLARISATION_SECONDS);
        percent = Math.clamp(percent - drawn / 3600 / battery.capacityAh() * 100, 0, 100);
        return volts;
    }

    /** What the battery gives, negative when it is charged: the unit keeps its set-point as far as its current goes. */
    private double drawn(double loadA, SupportUnit unit, double inner) {
        double atSetPoint = (inner - unit.setVolts()) / ohm;
        return Math.max(Math.min(atSetPoint, loadA), loadA - unit.limitA());
    }
}
