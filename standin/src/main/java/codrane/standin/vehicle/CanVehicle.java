package codrane.standin.vehicle;

import codrane.core.octets.Bytes;
import codrane.core.pack.PackLink;
import codrane.core.pack.PackModule;
import codrane.link.can.CanPort;
import codrane.link.can.SimulatedBus;
import codrane.link.isotp.IsoTpEndpoint;
import codrane.link.isotp.IsoTpSettings;
import codrane.link.time.Scheduler;
import java.time.Duration;

/** Puts a vehicle's modules on a simulated bus, each with an ISO-TP conversation of its own. */
public final class CanVehicle {
    private CanVehicle() {}

    public static SimulatedBus attach(SimulatedVehicle vehicle, Scheduler time, Pace pace) {
        PackLink.Can link = (PackLink.Can) vehicle.pack().link();
        SimulatedBus bus = new SimulatedBus(time, link.bitrate(), pace.speed());
        for (PackModule module : vehicle.pack().modules().values()) {
            if (vehicle.fitted(module.address())) attach(vehicle, module, link, bus.attach(), time, pace);
        }
        return bus;
    }

    private static void attach(
            SimulatedVehicle vehicle, PackModule module, PackLink.Can link, CanPort port, Scheduler time, Pace pace) {
        IsoTpEndpoint endpoint = new IsoTpEndpoint(
                time,
                port,
                new IsoTpEndpoint.Addressing(
                        link.responseId(module.address()), link.requestId(module.address()), link.extended()),
                settings(module, pace));
        port.listen(endpoint::onFrame);
        endpoint.onMessage(request -> vehicle.request(module.address(), request, response -> send(endpoint, response)));
    }

    private static void send(IsoTpEndpoint endpoint, Bytes response) {
        endpoint.send(response, outcome -> {});
    }

    private static IsoTpSettings settings(PackModule module, Pace pace) {
        return module.flash()
                .map(flash -> IsoTpSettings.STANDARD.asking(flash.blockSize(), paced(flash.separationTime(), pace)))
                .orElse(IsoTpSettings.STANDARD);
    }

    /** Separation is the module's own work, so the speed divides it; below 100 microseconds there is none. */
    private static Duration paced(Duration separation, Pace pace) {
        Duration divided = separation.dividedBy(pace.speed());
        return divided.compareTo(Duration.ofNanos(100_000)) < 0 ? Duration.ZERO : divided;
    }
}
