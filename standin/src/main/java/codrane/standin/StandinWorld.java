package codrane.standin;

import codrane.standin.control.ControlPort;
import codrane.standin.control.RunningVehicle;
import codrane.standin.service.Authority;
import codrane.standin.service.MakerService;
import codrane.standin.vehicle.Setup;
import codrane.standin.vehicle.SimulatedVehicle;
import java.io.IOException;
import java.util.List;
import java.util.Optional;

/** Everything outside the workshop: one vehicle on CAN, one on DoIP, and the makers' services. */
public final class StandinWorld implements AutoCloseable {
    private final RunningVehicle canVehicle;
    private final RunningVehicle doipVehicle;
    private final ControlPort canControl;
    private final ControlPort doipControl;
    private final MakerService service;

    /**
     * Where the world listens; 0 takes a free port each.
     *
     * @param can the CAN hub
     * @param canControl control port of the vehicle on CAN
     * @param doip the DoIP vehicle
     * @param doipControl its control port
     * @param service the makers' services
     */
    public record Ports(int can, int canControl, int doip, int doipControl, int service) {
        public static final Ports FREE = new Ports(0, 0, 0, 0, 0);
    }

    /** @param bytesPerSecond rate at which the services deliver files */
    public StandinWorld(Setup onCan, Setup onDoip, Ports ports, int speed, int bytesPerSecond) throws IOException {
        SimulatedVehicle.World world = SimulatedVehicle.World.now(new Authority().publicKey());
        canVehicle = new RunningVehicle(
                onCan, new RunningVehicle.Doors(Optional.of(ports.can()), Optional.empty(), 0), speed, world);
        canControl = new ControlPort(canVehicle, ports.canControl());
        doipVehicle = new RunningVehicle(
                onDoip, new RunningVehicle.Doors(Optional.empty(), Optional.of(ports.doip()), 0), speed, world);
        doipControl = new ControlPort(doipVehicle, ports.doipControl());
        service = new MakerService(List.of(onCan.pack(), onDoip.pack()), ports.service(), bytesPerSecond);
    }

    /** Where it listens now. */
    public Ports ports() {
        return new Ports(
                canVehicle.canPort(), canControl.port(), doipVehicle.doipPort(), doipControl.port(), service.port());
    }

    public RunningVehicle onCan() {
        return canVehicle;
    }

    @Override
    public void close() throws IOException {
        service.close();
        canControl.close();
        doipControl.close();
        canVehicle.close();
        doipVehicle.close();
    }
}
