package codrane.standin.vehicle;

import codrane.core.pack.Pack;
import codrane.link.time.Scheduler;
import java.time.Duration;

/** The vehicle's battery and a support unit that can be switched on and off. Voltages follow with a time constant. */
public final class Supply {
    private static final double UNIT_SET_POINT = 13.8;
    private static final double UNIT_OHM = 0.004;
    private static final double BATTERY_OHM = 0.013;
    private static final double TIME_CONSTANT_SECONDS = 0.7;
    private static final double SLEEP_AMPERES = 0.03;

    private final Scheduler time;
    private final Pack.Supply pack;
    private final double restVolts;
    private double dischargedAh;
    private double volts;
    private boolean unitOn = true;
    private boolean keyOn = true;
    private boolean programming;
    private double sagVolts;
    private long sagUntil = Long.MIN_VALUE;
    private long last;

    Supply(Scheduler time, Pack.Supply pack) {
        this.time = time;
        this.pack = pack;
        restVolts = pack.chemistry().equals("lfp") ? 13.2 : 12.65;
        volts = target();
        last = time.now();
    }

    /** Volts at the diagnostic socket now. */
    public synchronized double volts() {
        double seconds = Math.max(0, (time.now() - last) / 1e9);
        last = time.now();
        if (!unitOn) dischargedAh += load() * seconds / 3600;
        volts += (target() - volts) * (1 - Math.exp(-seconds / TIME_CONSTANT_SECONDS));
        double ripple = 0.015 * Math.sin(last / 0.31e9) + 0.01 * Math.sin(last / 0.077e9);
        return volts + ripple;
    }

    private double target() {
        if (time.now() < sagUntil) return sagVolts;
        if (unitOn) return UNIT_SET_POINT - UNIT_OHM * load();
        return restVolts - 0.9 * dischargedAh / pack.capacityAh() - BATTERY_OHM * load();
    }

    private double load() {
        return programming ? pack.programmingA() : keyOn ? pack.keyOnA() : SLEEP_AMPERES;
    }

    public synchronized void switchUnit(boolean on) {
        volts();
        unitOn = on;
    }

    public synchronized boolean unitOn() {
        return unitOn;
    }

    /** A sag ends. */
    public synchronized void mend() {
        sagUntil = Long.MIN_VALUE;
    }

    /** Something else draws the voltage down for a while. */
    public synchronized void sag(double toVolts, Duration span) {
        volts();
        sagVolts = toVolts;
        sagUntil = time.now() + span.toNanos();
    }

    synchronized void key(boolean on) {
        volts();
        keyOn = on;
    }

    synchronized void programming(boolean under) {
        volts();
        programming = under;
    }
}
