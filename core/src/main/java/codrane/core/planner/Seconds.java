package codrane.core.planner;

/** Expected durations that no pack gives. */
final class Seconds {
    static final int PER_MODULE_READ = 1;
    static final int PER_BLOCK = 3;
    static final int VIN = 2;
    static final int RESTART = 4;
    static final int AUTHORISE = 30;
    static final int PAIR = 45;
    static final int PER_KEY = 40;
    static final int FUNCTION_TEST = 120;
    static final int DRIVE = 900;
    static final int BATTERY_OFF = 600;

    private Seconds() {}
}
