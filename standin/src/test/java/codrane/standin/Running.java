package codrane.standin;

import codrane.standin.control.RunningVehicle;
import codrane.standin.service.Authority;
import codrane.standin.vehicle.Setup;
import codrane.standin.vehicle.SimulatedVehicle;
import java.io.IOException;

/** Vehicles over sockets, for tests. */
final class Running {
    private Running() {}

    static RunningVehicle onCan(Setup setup, int speed) throws IOException {
        return new RunningVehicle(setup, RunningVehicle.Doors.CAN, speed, world());
    }

    static RunningVehicle onDoip(Setup setup, int speed) throws IOException {
        return new RunningVehicle(setup, RunningVehicle.Doors.DOIP, speed, world());
    }

    private static SimulatedVehicle.World world() {
        return SimulatedVehicle.World.now(new Authority().publicKey());
    }
}
