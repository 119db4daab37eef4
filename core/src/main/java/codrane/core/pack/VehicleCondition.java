package codrane.core.pack;

import codrane.core.pack.Equipment.Sensor;

/** Conditions that a person brings about and a module can check. */
public enum VehicleCondition {
    KEY_ON("the key on", Sensor.KEY, 1, 2),
    ENGINE_OFF("the engine off", Sensor.KEY, 0, 1),
    ENGINE_RUNNING("the engine running", Sensor.KEY, 2, 2),
    DOORS_CLOSED("all doors closed", Sensor.DOORS, 0, 0),
    TAILGATE_CLOSED("the tailgate closed", Sensor.TAILGATE, 0, 0),
    GEAR_PARK("the gear in park", Sensor.GEAR, 1, 1),
    WINDOWS_CLOSED("all windows closed", Sensor.WINDOWS, 0, 0),
    /** Nobody can start the engine, by mistake or by the remote, while it is written. */
    START_INHIBITED("the start inhibited", Sensor.START, 1, 1);

    private final String words;
    private final Sensor sensor;
    private final int least;
    private final int most;

    VehicleCondition(String words, Sensor sensor, int least, int most) {
        this.words = words;
        this.sensor = sensor;
        this.least = least;
        this.most = most;
    }

    /** Where it can be read, on a vehicle that has such a sensor. */
    public Sensor sensor() {
        return sensor;
    }

    /** @param position as the sensor tells it, see {@link Sensor} */
    public boolean holds(int position) {
        return position >= least && position <= most;
    }

    /** The first position at which it holds. */
    public int position() {
        return least;
    }

    public String words() {
        return words;
    }

    /** As in packs: lower case with dashes. */
    public String key() {
        return name().toLowerCase(java.util.Locale.ROOT).replace('_', '-');
    }

    public static java.util.Optional<VehicleCondition> of(String key) {
        for (VehicleCondition condition : values()) {
            if (condition.key().equals(key)) return java.util.Optional.of(condition);
        }
        return java.util.Optional.empty();
    }
}
