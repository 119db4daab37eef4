package codrane.standin.control;

import codrane.link.time.Scheduler;

/** Temperature of the interface: warms with traffic, cools by itself, gives up when too hot. */
final class InterfaceHeat {
    private static final double AMBIENT = 24;
    private static final double IDLE = 11;
    /** A bus of 500 kbit/s in full use warms it by some 30 degrees in the end. */
    private static final double PER_FRAME = 0.00003;

    private static final double TIME_CONSTANT_SECONDS = 240;
    private static final double TOO_HOT = 85;

    private final Scheduler time;
    private double above = IDLE;
    private long last;

    InterfaceHeat(Scheduler time) {
        this.time = time;
        last = time.now();
    }

    synchronized void frame() {
        above += PER_FRAME;
    }

    synchronized void set(double celsius) {
        celsius();
        above = celsius - AMBIENT;
    }

    synchronized double celsius() {
        double seconds = Math.max(0, (time.now() - last) / 1e9);
        last = time.now();
        above = IDLE + (above - IDLE) * Math.exp(-seconds / TIME_CONSTANT_SECONDS);
        return AMBIENT + above;
    }

    boolean tooHot() {
        return celsius() >= TOO_HOT;
    }
}
