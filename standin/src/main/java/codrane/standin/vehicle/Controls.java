package codrane.standin.vehicle;

import static java.util.Objects.requireNonNull;

import codrane.core.pack.Equipment.Sensor;
import codrane.core.pack.VehicleCondition;
import java.util.EnumMap;
import java.util.Map;

/** What a person moves on a vehicle: key, doors, tailgate, gear, windows, and what inhibits the start. */
final class Controls {
    private static final int RUNNING = 2;

    private final Map<Sensor, Integer> positions = new EnumMap<>(Sensor.class);

    Controls() {
        positions.put(Sensor.KEY, 1);
        positions.put(Sensor.DOORS, 0);
        positions.put(Sensor.TAILGATE, 0);
        positions.put(Sensor.GEAR, 1);
        positions.put(Sensor.WINDOWS, 0);
        positions.put(Sensor.START, 0);
    }

    int position(Sensor sensor) {
        return requireNonNull(positions.get(sensor));
    }

    void move(Sensor sensor, int position) {
        positions.put(sensor, position);
    }

    boolean keyOff() {
        return position(Sensor.KEY) == 0;
    }

    boolean holds(VehicleCondition condition) {
        return switch (condition) {
            case KEY_ON -> !keyOff();
            case ENGINE_OFF -> position(Sensor.KEY) != RUNNING;
            case ENGINE_RUNNING -> position(Sensor.KEY) == RUNNING;
            case DOORS_CLOSED -> position(Sensor.DOORS) == 0;
            case TAILGATE_CLOSED -> position(Sensor.TAILGATE) == 0;
            case GEAR_PARK -> position(Sensor.GEAR) == 1;
            case WINDOWS_CLOSED -> position(Sensor.WINDOWS) == 0;
            case START_INHIBITED -> position(Sensor.START) == 1;
        };
    }
}
