package codrane.core.planner;

import codrane.core.plan.VehicleFacts;

/** Expected durations that no pack gives, as they are in a workshop. Source: unchecked; corrected by what jobs took. */
final class Seconds {
    static final int PER_BLOCK = 3;
    static final int VIN = 2;
    static final int RESTART = 4;
    static final int RESTART_ALL = 30;
    /** Logging in, the vehicle's authorisation, and one look that the gateway is open. */
    static final int AUTHORISE = 300;

    static final int PAIR = 45;
    static final int PER_KEY = 40;
    static final int FUNCTION_TEST = 300;
    static final int DRIVE = 1200;
    /** Until the monitors are complete. */
    static final int DRIVE_FOR_MONITORS = 2400;

    static final int BATTERY_OFF = 900;
    static final int SWAP = 2400;
    /** Targets are set up and measured before anything is aimed. */
    static final int SET_UP_TARGETS = 3600;

    private static final int PER_MODULE_SCAN = 4;
    private static final int PER_MODULE_BASELINE = 20;
    private static final int CONNECT = 15;

    private Seconds() {}

    static int scan(VehicleFacts facts) {
        return CONNECT + facts.pack().modules().size() * PER_MODULE_SCAN;
    }

    static int baseline(VehicleFacts facts) {
        return CONNECT + facts.pack().modules().size() * PER_MODULE_BASELINE;
    }
}
