package codrane.standin;

import codrane.core.pack.Pack;
import codrane.core.pack.PackLink;
import codrane.standin.control.ControlPort;
import codrane.standin.control.RunningVehicle;
import codrane.standin.service.MakerService;
import codrane.standin.vehicle.Setup;
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
        canVehicle = new RunningVehicle(onCan, Optional.of(ports.can()), Optional.empty(), speed);
        canControl = new ControlPort(canVehicle, ports.canControl());
        doipVehicle = new RunningVehicle(onDoip, Optional.empty(), Optional.of(ports.doip()), speed);
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

    /** Whether the pack's vehicles speak DoIP. */
    static boolean speaksDoip(Pack pack) {
        return pack.link() instanceof PackLink.Doip;
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
